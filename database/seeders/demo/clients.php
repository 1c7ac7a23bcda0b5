<?php

declare(strict_types=1);

/*
 * The people of the demo story, all invented. Ages in years, `days_ago` and `since` in days before today.
 * A done step: muscle, side, technique, tool, pressures of its passes, signs seen.
 */

$complaint = static fn (string $zone, string $side, float $now, float $worst, float $best, int $since, array $more = []): array => [
    'zone' => $zone, 'side' => $side, 'now' => $now, 'worst_week' => $worst, 'best_week' => $best, 'since' => $since, ...$more,
];
$range = static fn (string $movement, float $left, float $right, float $painLeft = 0, float $painRight = 0): array => [
    ['movement' => $movement, 'side' => 'left', 'active' => $left, 'pain' => $painLeft, 'end_feel' => 'firm'],
    ['movement' => $movement, 'side' => 'right', 'active' => $right, 'pain' => $painRight, 'end_feel' => 'firm'],
];
$felt = static fn (
    string $muscle,
    string $side,
    int $tenderness,
    string $tone = 'usual',
    array $texture = [],
    string $familiar = 'unknown',
    array $more = [],
): array => array_filter(
    [
        'muscle' => $muscle, 'side' => $side, 'tenderness' => $tenderness, 'tone' => $tone, 'texture' => $texture, 'familiar' => $familiar,
        ...$more,
    ],
    static fn (mixed $value): bool => $value !== [],
);
$temple = ['refers_to' => [['zone' => 'temple', 'side' => 'left']]];

return [
    [
        'who' => [
            'name' => 'Ottoline Brack', 'phone' => '+44 1632 960 117', 'email' => 'ottoline@puppets.example', 'code' => 'OB-17',
            'pronoun' => 'she', 'hand' => 'right', 'mass_kg' => 61, 'occupation' => 'rod puppeteer', 'stoic' => true,
        ],
        'age' => 34,
        'today' => ['at' => '10:15', 'minutes' => 60, 'reason' => 'neck, left temple'],
        'visits' => [
            [
                'days_ago' => 15,
                'entries' => [
                    'complaint' => [
                        $complaint(
                            'temple', 'left', 6, 8, 3, 70, ['qualities' => ['ache'], 'worse_with' => [['demand' => 'overhead_work']]],
                        ),
                        $complaint('neck_side', 'left', 5, 6, 2, 70, ['qualities' => ['tight']]),
                    ],
                    'function' => [
                        ['task' => 'Hold the rod up for a whole scene', 'score' => 4], ['task' => 'Read for half an hour', 'score' => 5],
                    ],
                    'demand' => [
                        ['demand' => 'overhead_work', 'side' => 'left', 'hours_per_week' => 18],
                        ['demand' => 'head_turned_one_way', 'hours_per_week' => 10],
                    ],
                    'range' => [...$range('cervical.rotation', 62, 44, 0, 4), ...$range('cervical.side_bend', 38, 27, 1, 3)],
                    'posture' => [
                        ['sign' => 'shoulder_high', 'side' => 'left', 'grade' => 2],
                        ['sign' => 'head_forward', 'side' => 'midline', 'grade' => 1],
                    ],
                    'palpation' => [
                        $felt('levator_scapulae', 'left', 3, 'high', ['taut_band', 'nodule'], 'yes', $temple),
                        $felt('levator_scapulae', 'right', 1), $felt('trapezius_upper', 'left', 3, 'high', ['taut_band'], 'yes'),
                        $felt('trapezius_upper', 'right', 1), $felt('sternocleidomastoid_sternal', 'left', 2, 'high', [], 'no'),
                    ],
                    'consent' => [['area' => 'front_of_neck', 'given' => true], ['area' => 'hair_and_scalp', 'given' => true]],
                ],
                'after' => [
                    'range' => $range('cervical.rotation', 63, 52, 0, 2),
                    'palpation' => [$felt('trapezius_upper', 'left', 2, 'usual', [], 'no')],
                ],
                'done' => [
                    ['trapezius_upper', 'left', 'trigger_point_hold', 'knuckle', [3, 4, 4.5], ['softened']],
                    ['levator_scapulae', 'left', 'trigger_point_hold', 'fingers_reinforced', [3, 4, 5], ['breath_held', 'softened']],
                ],
                'note' => [
                    'happened' => 'Upper trapezius and levator left, introduced. Turning right freer by eight degrees.',
                    'advice' => 'Heat in the evening; turn the score stand, not the head.',
                    'next_time' => 'Ask about the headache, press the levator again.',
                ],
            ],
            [
                'days_ago' => 7,
                'entries' => [
                    'aftermath' => [[
                        'hours' => 48, 'soreness' => 2, 'soreness_hours' => 18, 'pain' => 5, 'worse' => false, 'home_care_done' => 0.5,
                    ]],
                    'complaint' => [
                        $complaint('temple', 'left', 5, 6, 2, 70, ['qualities' => ['ache']]),
                        $complaint('neck_side', 'left', 4, 5, 2, 70, ['qualities' => ['tight']]),
                    ],
                    'function' => [
                        ['task' => 'Hold the rod up for a whole scene', 'score' => 5], ['task' => 'Read for half an hour', 'score' => 6],
                    ],
                    'range' => [...$range('cervical.rotation', 62, 51, 0, 3), ...$range('cervical.side_bend', 39, 31, 0, 2)],
                    'posture' => [['sign' => 'shoulder_high', 'side' => 'left', 'grade' => 2]],
                    'palpation' => [
                        $felt('levator_scapulae', 'left', 3, 'high', ['taut_band'], 'yes', $temple), $felt('levator_scapulae', 'right', 1),
                        $felt('trapezius_upper', 'left', 2, 'high', ['taut_band'], 'no'), $felt('trapezius_upper', 'right', 1),
                        $felt('infraspinatus', 'left', 2, 'usual', ['taut_band'], 'no'),
                    ],
                    'consent' => [['area' => 'front_of_neck', 'given' => true]],
                ],
                'after' => ['range' => $range('cervical.rotation', 63, 57, 0, 1)],
                'done' => [
                    ['levator_scapulae', 'left', 'trigger_point_hold', 'knuckle', [4, 5, 5.5], ['softened', 'referral_faded']],
                    ['trapezius_upper', 'left', 'petrissage', 'pincer', [3, 4], ['softened']],
                ],
                'note' => [
                    'happened' => 'Levator left to five and a half; the pull to the temple faded under the hold.',
                    'advice' => 'The same, and sleep without the arm overhead.',
                    'next_time' => 'Is turning right still freer? If the temple stays, look at the neck strap muscle.',
                ],
            ],
        ],
    ],
    [
        'who' => [
            'name' => 'Wendel Ash', 'phone' => '+44 1632 960 108', 'code' => 'WA-08', 'pronoun' => 'he', 'hand' => 'right', 'mass_kg' => 88,
            'occupation' => 'accordionist', 'skin' => 'hairy',
        ],
        'age' => 52,
        'next' => [['weeks' => 2, 'day' => 2, 'at' => '10:00', 'minutes' => 60, 'times' => 3, 'every' => 4]],
        'visits' => array_map(static fn (int $visit): array => [
            'days_ago' => [63, 56, 48, 34, 20, 6][$visit],
            'entries' => array_filter([
                'aftermath' => $visit === 0 || $visit === 4
                    ? []
                    : [['hours' => 48, 'soreness' => 1, 'soreness_hours' => 12, 'worse' => false, 'home_care_done' => 0.7]],
                'complaint' => [
                    $complaint(
                        'neck_back', 'left', [7, 7, 6, 5, 4, 3][$visit], [8, 8, 7, 6, 5, 3][$visit], [3, 3, 2, 2, 1, 1][$visit], 120,
                    ),
                ],
                'function' => [['task' => 'Play a full evening', 'score' => [3, 3, 4, 6, 7, 8][$visit]]],
                'demand' => $visit === 0 ? [['demand' => 'carry_one_shoulder', 'side' => 'left', 'hours_per_week' => 14]] : [],
                'range' => [
                    ...$range(
                        'cervical.rotation', [44, 46, 51, 56, 60, 63][$visit], [62, 61, 63, 63, 64, 64][$visit], [4, 3, 2, 1, 0, 0][$visit],
                    ),
                    ...$range('shoulder.flexion', [148, 149, 150, 156, 160, 164][$visit], [168, 169, 168, 170, 169, 170][$visit]),
                ],
                'palpation' => [
                    $felt(
                        'levator_scapulae', 'left', [4, 3, 3, 2, 2, 1][$visit], $visit < 4 ? 'high' : 'usual',
                        $visit < 4 ? ['taut_band'] : [], $visit < 5 ? 'yes' : 'no',
                    ),
                    $felt('levator_scapulae', 'right', 1),
                    $felt('suboccipitals', 'left', [2, 2, 1, 1, 0, 0][$visit], 'usual', [], 'no'),
                    $felt('trapezius_upper', 'left', [2, 2, 3, 2, 2, 2][$visit], 'high', [], 'no'), $felt('trapezius_upper', 'right', 1),
                    $felt('pectoralis_minor', 'left', [3, 2, 2, 1, 1, 1][$visit], 'usual', [], 'no'),
                ],
                'consent' => [['area' => 'chest_wall', 'given' => true]],
            ]),
            'after' => ['range' => $range('cervical.rotation', [48, 50, 55, 59, 62, 64][$visit], [62, 62, 63, 64, 64, 64][$visit])],
            'done' => [
                [
                    'levator_scapulae', 'left', 'trigger_point_hold', 'knuckle',
                    [[3, 4], [3, 4, 5], [4, 5, 5], [4, 5, 6], [4, 5, 6], [4, 5, 6]][$visit], ['softened'],
                ],
                ['suboccipitals', 'left', 'compressive_hold', 'fingers_reinforced', [2, 3, 3], []],
                ['trapezius_upper', 'left', 'stripping', 'forearm', [3, 4, 5], []],
                ['pectoralis_minor', 'left', 'breath_assisted_sink', 'fingers_reinforced', [2, 3, 4], []],
            ],
            'note' => [
                'happened' => 'Left neck and front of the shoulder, as planned.',
                'advice' => 'Strap over both shoulders; two turns of the head each hour.', 'next_time' => 'Turning left again.',
            ],
        ], [0, 1, 2, 3, 4, 5]),
    ],
    [
        'who' => [
            'name' => 'Ivo Tressel', 'phone' => '+44 1632 960 111', 'email' => 'ivo@puppets.example', 'code' => 'IT-11', 'pronoun' => 'he',
            'hand' => 'left', 'mass_kg' => 79, 'occupation' => 'carver',
        ],
        'age' => 46,
        'next' => [['weeks' => 1, 'day' => 1, 'at' => '13:30', 'minutes' => 60, 'second' => true]],
        'visits' => array_map(static fn (int $visit): array => [
            'days_ago' => [38, 31, 24, 12, 3][$visit],
            'entries' => array_filter([
                'aftermath' => $visit === 0
                    ? []
                    : [['hours' => 48, 'soreness' => 2, 'soreness_hours' => 20, 'worse' => false, 'home_care_done' => 0.2]],
                'complaint' => [$complaint('shoulder_outer', 'left', [6, 7, 6, 6, 6][$visit], 8, 4, 150)],
                'function' => [['task' => 'A morning at the bench', 'score' => [4, 4, 4, 5, 4][$visit]]],
                'demand' => $visit === 0
                    ? [
                        ['demand' => 'gripping', 'side' => 'left', 'hours_per_week' => 30],
                        ['demand' => 'vibration_tools', 'side' => 'left', 'hours_per_week' => 6],
                    ]
                    : [],
                'range' => [
                    ...$range('shoulder.abduction', [138, 140, 137, 139, 138][$visit], 171, 4),
                    ...$range('shoulder.internal_rotation', [48, 47, 50, 49, 48][$visit], 66, 3),
                ],
                'palpation' => [
                    $felt('supraspinatus', 'left', [3, 2, 1, 1, 0][$visit], $visit < 2 ? 'high' : 'usual', [], $visit < 2 ? 'yes' : 'no'),
                    $felt('infraspinatus', 'left', 2, 'usual', [], 'no'), $felt('deltoid_middle', 'left', 2, 'usual', [], 'unknown'),
                ],
            ]),
            'done' => [['supraspinatus', 'left', 'stripping', 'elbow', [3, 4, 5], []]],
            'note' => [
                'happened' => 'Supraspinatus left again.', 'advice' => 'Bench higher, mallet in the other hand when possible.',
                'next_time' => 'Still the same? Then look elsewhere.',
            ],
        ], [0, 1, 2, 3, 4]),
    ],
    [
        'who' => [
            'name' => 'Gil Hask', 'phone' => '+44 1632 960 103', 'email' => 'gil@puppets.example', 'code' => 'GH-03', 'pronoun' => 'he',
            'hand' => 'right', 'mass_kg' => 92, 'occupation' => 'rigger', 'skin' => 'hairy',
        ],
        'age' => 39,
        'next' => [['weeks' => 1, 'day' => 2, 'at' => '11:30', 'minutes' => 45]],
        'today' => ['at' => '16:15', 'minutes' => 45, 'reason' => 'arm, right'],
        'visits' => [
            [
                'days_ago' => 9,
                'entries' => [
                    'complaint' => [$complaint('forearm_outer', 'right', 4, 6, 2, 30, ['qualities' => ['ache', 'tingling']])],
                    'demand' => [
                        ['demand' => 'pulling', 'side' => 'right', 'hours_per_week' => 20],
                        ['demand' => 'gripping', 'side' => 'right', 'hours_per_week' => 20],
                    ],
                    'palpation' => [
                        $felt('extensor_carpi_radialis', 'right', 2, 'high'),
                        $felt('scalene_middle', 'right', 2, 'high', ['taut_band'], 'yes'),
                    ],
                    'range' => $range('wrist.flexion', 76, 62, 0, 3),
                ],
                'done' => [['extensor_carpi_radialis', 'right', 'stripping', 'flat_knuckles', [2, 3, 4], ['softened']]],
                'note' => [
                    'happened' => 'Forearm, gently. Scalenes felt, not worked.', 'advice' => 'Gloves with a better grip.',
                    'next_time' => 'Ask about the tingling.',
                ],
            ],
            [
                'days_ago' => 0,
                'flags' => ['progressive_weakness_or_numbness' => 'yes'],
                'entries' => [
                    'aftermath' => [[
                        'hours' => 96, 'soreness' => 1, 'soreness_hours' => 10, 'worse' => true,
                        'worrying' => ['progressive_weakness_or_numbness'],
                    ]],
                    'complaint' => [$complaint('forearm_outer', 'right', 5, 7, 3, 30, ['qualities' => ['numb', 'tingling']])],
                    'text' => ['concern' => 'New numbness in two fingers since Tuesday, and a weaker grip.'],
                ],
            ],
        ],
    ],
    [
        'who' => [
            'name' => 'Maren Sallow', 'phone' => '+44 1632 960 121', 'email' => 'maren@puppets.example', 'code' => 'MS-21',
            'pronoun' => 'she', 'hand' => 'left', 'mass_kg' => 70, 'occupation' => 'wig-maker', 'sex' => 'female',
        ],
        'age' => 31,
        'next' => [['weeks' => 1, 'day' => 0, 'at' => '14:15', 'minutes' => 75, 'times' => 4]],
        'today' => ['at' => '14:15', 'minutes' => 75, 'reason' => 'between the blades'],
        'visits' => [
            [
                'days_ago' => 12,
                'entries' => [
                    'complaint' => [$complaint('interscapular', 'right', 5, 6, 2, 40), $complaint('neck_back', 'right', 3, 4, 1, 40)],
                    'condition' => [
                        ['condition' => 'pregnancy', 'answer' => 'yes', 'severity' => 'mild', 'weeks_pregnant' => 25],
                        ['condition' => 'latex_allergy', 'answer' => 'yes'],
                    ],
                    'demand' => [
                        ['demand' => 'pinch', 'side' => 'left', 'hours_per_week' => 30], ['demand' => 'head_down', 'hours_per_week' => 30],
                    ],
                    'range' => [
                        ...$range('thoracic.rotation', 34, 27, 0, 2), ...$range('cervical.rotation', 60, 76, 1, 0),
                        ...$range('scapula.adduction', 1, 3, 0, 0),
                    ],
                    'posture' => [
                        ['sign' => 'shoulder_rolled_forward', 'side' => 'left', 'grade' => 2],
                        ['sign' => 'collarbone_short', 'side' => 'left', 'grade' => 1],
                        ['sign' => 'arm_rests_high', 'side' => 'left', 'grade' => 1],
                    ],
                    'palpation' => [
                        $felt('pectoralis_minor', 'left', 3, 'high', ['taut_band']),
                        $felt('rhomboids', 'right', 2, 'usual', ['ropy'], 'yes'), $felt('trapezius_middle', 'right', 2, 'high'),
                    ],
                ],
                'done' => [['rhomboids', 'right', 'stripping', 'forearm', [3, 4], ['softened']]],
                'note' => [
                    'happened' => 'On her left side, propped. Rhomboids, light.',
                    'advice' => 'Feet up between fittings; ring at once with headache, swelling or bleeding.',
                    'next_time' => 'Ask weeks again.',
                ],
            ],
        ],
    ],
    [
        'who' => [
            'name' => 'Bram Oakes', 'phone' => '+44 1632 960 114', 'code' => 'BO-14', 'pronoun' => 'he', 'hand' => 'right',
            'mass_kg' => 101, 'occupation' => 'van driver', 'skin' => 'hairy',
        ],
        'age' => 61,
        'next' => [['weeks' => 1, 'day' => 3, 'at' => '17:00', 'minutes' => 60, 'second' => true]],
        'today' => ['at' => '13:00', 'minutes' => 60, 'reason' => 'top of the shoulder'],
        'visits' => [
            [
                'days_ago' => 21,
                'entries' => [
                    'complaint' => [$complaint('shoulder_top', 'right', 5, 6, 3, 60)],
                    'condition' => [[
                        'condition' => 'anticoagulant_or_clotting_disorder', 'answer' => 'yes', 'severity' => 'mild', 'stage' => 'settled',
                    ]],
                    'medicine' => [['medicine' => 'anticoagulant', 'answer' => 'yes']],
                    'demand' => [['demand' => 'driving', 'hours_per_week' => 35]],
                    'range' => $range('cervical.side_bend', 28, 36, 3, 0),
                    'palpation' => [
                        $felt('trapezius_upper', 'right', 3, 'high', ['taut_band'], 'yes'), $felt('levator_scapulae', 'right', 2, 'high'),
                    ],
                ],
                'done' => [['trapezius_upper', 'right', 'petrissage', 'pincer', [2, 3, 4], ['softened']]],
                'note' => [
                    'happened' => 'Four at most; no bruise afterwards.', 'advice' => 'Headrest higher; stop every two hours.',
                    'next_time' => 'Which thinner, and when was it last checked?',
                ],
            ],
        ],
    ],
    [
        'who' => [
            'name' => 'Tam Wick', 'phone' => '+44 1632 960 130', 'code' => 'TW-30', 'pronoun' => 'they', 'hand' => 'right', 'mass_kg' => 58,
            'occupation' => 'glove-puppet apprentice', 'guardian_name' => 'Orla Wick',
        ],
        'contacts' => [['kind' => 'guardian', 'name' => 'Rowan Wick', 'phone' => '+44 1632 960 131', 'note' => 'comes along']],
        'age' => 16,
        'today' => ['at' => '11:30', 'minutes' => 45, 'reason' => 'shoulder, right'],
    ],
    [
        'who' => [
            'name' => 'Edda Vorn', 'phone' => '+44 1632 960 102', 'email' => 'edda@puppets.example', 'code' => 'EV-02', 'pronoun' => 'she',
            'hand' => 'right', 'mass_kg' => 54, 'occupation' => 'playwright', 'skin' => 'fragile',
        ],
        'contacts' => [
            ['kind' => 'emergency', 'name' => 'Lotte Vorn', 'phone' => '+44 1632 960 150', 'note' => 'her daughter, evenings'],
            ['kind' => 'doctor', 'name' => 'Dr Amis Kell', 'phone' => '+44 1632 960 160'],
        ],
        'age' => 78,
        'waits' => ['minutes' => 45, 'days' => ['tue', 'thu'], 'part' => 'afternoon', 'word' => 'Her daughter drives her.'],
        'visits' => [
            [
                'days_ago' => 8,
                'entries' => [
                    'complaint' => [$complaint('neck_back', 'right', 5, 6, 3, 200)],
                    'condition' => [['condition' => 'osteoporosis', 'answer' => 'yes', 'severity' => 'moderate', 'stage' => 'settled']],
                    'range' => $range('cervical.rotation', 52, 47, 1, 2),
                    'palpation' => [$felt('splenius_cervicis', 'right', 2, 'high', [], 'yes')],
                ],
                'done' => [['splenius_cervicis', 'right', 'compressive_hold', 'fingers_reinforced', [2, 3, 4], ['softened']]],
                'note' => [
                    'happened' => 'Side of the neck, light holds.', 'advice' => 'Warm scarf, small turns.',
                    'next_time' => 'Was four too much?',
                ],
            ],
            [
                'days_ago' => 1,
                'entries' => [
                    'aftermath' => [['hours' => 96, 'soreness' => 5, 'soreness_hours' => 72, 'pain' => 6, 'worse' => false]],
                    'complaint' => [$complaint('neck_back', 'right', 5, 6, 3, 200)],
                    'range' => $range('cervical.rotation', 51, 48, 1, 2),
                    'palpation' => [$felt('splenius_cervicis', 'right', 2, 'high', [], 'yes')],
                ],
                'note' => [
                    'happened' => 'Only warmth and very light strokes: she was sore for three days.',
                    'next_time' => 'A step lower and shorter.',
                ],
            ],
        ],
    ],
    [
        'who' => [
            'name' => 'Juno Petrel', 'email' => 'juno@puppets.example', 'code' => 'JP-26', 'pronoun' => 'she', 'hand' => 'right',
            'mass_kg' => 66, 'occupation' => 'stilt-walker',
        ],
        'age' => 28,
        'today' => ['at' => '09:00', 'minutes' => 60, 'reason' => 'calf, right', 'status' => 'done'],
    ],
    [
        'who' => [
            'name' => 'Pia Lantos', 'phone' => '+44 1632 960 119', 'code' => 'PL-19', 'pronoun' => 'she', 'hand' => 'left', 'mass_kg' => 63,
            'occupation' => 'lamp-hand',
        ],
        'age' => 43,
        'next' => [['weeks' => 1, 'day' => 4, 'at' => '09:00', 'minutes' => 45, 'second' => true]],
        'visits' => array_map(static fn (int $visit): array => [
            'days_ago' => [42, 28, 18, 4][$visit],
            'entries' => array_filter([
                'aftermath' => $visit === 0
                    ? []
                    : [['hours' => 48, 'soreness' => 1, 'soreness_hours' => 8, 'worse' => false, 'home_care_done' => 0.9]],
                'complaint' => [$complaint('shoulder_front', 'left', [6, 4, 2, 1][$visit], [7, 5, 3, 2][$visit], 0, 90)],
                'range' => $range('shoulder.internal_rotation', [50, 58, 64, 67][$visit], 68, [3, 1, 0, 0][$visit]),
                'palpation' => [
                    $felt(
                        'infraspinatus', 'left', [3, 2, 1, 0][$visit], $visit < 2 ? 'high' : 'usual', $visit < 2 ? ['taut_band'] : [],
                        $visit < 2 ? 'yes' : 'no', ['refers_to' => [['zone' => 'shoulder_front', 'side' => 'left']]],
                    ),
                    $felt('infraspinatus', 'right', 0),
                ],
            ]),
            'done' => [[
                'infraspinatus', 'left', 'trigger_point_hold', 'knuckle', [[3, 4, 5], [4, 5, 6], [4, 5, 6], [4, 5]][$visit],
                ['softened', 'referral_faded'],
            ]],
            'note' => [
                'happened' => 'Infraspinatus left, the pull to the front fading.', 'advice' => 'Arm across the chest, twice a day.',
                'next_time' => 'Longer between visits if it stays quiet.',
            ],
        ], [0, 1, 2, 3]),
    ],
    // a year: an old low back comes quiet, comes back with the touring season, and is settled with a goal that is kept
    [
        'who' => [
            'name' => 'Hesper Quill', 'phone' => '+44 1632 960 124', 'email' => 'hesper@puppets.example', 'code' => 'HQ-24',
            'pronoun' => 'she', 'hand' => 'right', 'mass_kg' => 68, 'occupation' => 'stage carpenter',
        ],
        'age' => 47,
        'visits' => array_map(static fn (int $visit): array => [
            'days_ago' => [344, 337, 323, 295, 138, 130, 116, 88, 46][$visit],
            'entries' => array_filter([
                'aftermath' => $visit === 0 || $visit === 4
                    ? []
                    : [[
                        'hours' => 48, 'soreness_hours' => [0, 30, 12, 6, 0, 20, 10, 4, 0][$visit], 'worse' => false,
                        'home_care_done' => [0, 0.3, 0.6, 0.8, 0, 0.8, 0.9, 0.9, 0.9][$visit],
                    ]],
                'complaint' => [$complaint(
                    'low_back', 'right', [6, 5, 3, 1, 7, 5, 3, 2, 1][$visit], [7, 6, 4, 2, 8, 6, 4, 3, 2][$visit],
                    [3, 2, 1, 0, 4, 2, 1, 0, 0][$visit], 360,
                )],
                'function' => [['task' => 'Saw for an hour', 'score' => [3, 4, 6, 8, 2, 4, 6, 8, 9][$visit]]],
                'demand' => in_array($visit, [0, 4], true) ? [['demand' => 'lifting', 'hours_per_week' => [0 => 8, 4 => 20][$visit]]] : [],
                'goal' => $visit === 4
                    ? [['measure' => 'function.Saw for an hour', 'side' => 'midline', 'value' => 8, 'by' => 60]]
                    : [],
                'range' => [
                    ...$range('trunk.side_bend', [17, 17, 18, 19, 17, 18, 18, 19, 20][$visit], [10, 12, 15, 18, 9, 12, 15, 18, 19][$visit],
                        0, [4, 3, 1, 0, 5, 3, 1, 0, 0][$visit]),
                ],
                'palpation' => [
                    $felt(
                        'quadratus_lumborum', 'right', [4, 3, 2, 1, 4, 3, 2, 1, 0][$visit], $visit % 4 < 2 ? 'high' : 'usual',
                        $visit % 4 < 2 ? ['taut_band'] : [], $visit % 4 < 2 ? 'yes' : 'no',
                    ),
                    $felt('quadratus_lumborum', 'left', 1),
                ],
            ]),
            'done' => [[
                'quadratus_lumborum', 'right', 'trigger_point_hold', 'elbow',
                [[3, 4], [3, 4, 5], [4, 5, 5], [4, 5], [3, 4], [3, 4, 5], [4, 5, 5], [4, 5, 5], [4, 5]][$visit], ['softened'],
            ]],
            'note' => [
                'happened' => 'Low back right, from the side; sawing was tried on the table’s edge.',
                'advice' => 'Change the sawing arm every ten minutes.', 'next_time' => 'Side bend right, and the hour of sawing.',
            ],
        ], [0, 1, 2, 3, 4, 5, 6, 7, 8]),
    ],
    // sent on in spring, and not seen since
    [
        'who' => [
            'name' => 'Basil Fenn', 'phone' => '+44 1632 960 127', 'code' => 'BF-27', 'pronoun' => 'he', 'hand' => 'right', 'mass_kg' => 77,
            'occupation' => 'prop-maker',
        ],
        'age' => 58,
        'visits' => array_map(static fn (int $visit): array => [
            'days_ago' => [232, 225, 211][$visit],
            'flags' => $visit === 2 ? ['progressive_weakness_or_numbness' => 'yes'] : [],
            'entries' => array_filter([
                'aftermath' => $visit === 0
                    ? []
                    : [[
                        'hours' => 72, 'soreness_hours' => [0, 60, 10][$visit], 'worse' => $visit === 1,
                        ...$visit === 2 ? ['worrying' => ['progressive_weakness_or_numbness']] : [],
                    ]],
                'complaint' => [$complaint('forearm_back', 'right', [5, 6, 6][$visit], [6, 7, 7][$visit], 2, 260)],
                'function' => [['task' => 'Carve with the gouge', 'score' => [5, 4, 3][$visit]]],
                'palpation' => [
                    $felt('extensor_carpi_radialis_longus', 'right', [3, 3, 2][$visit], 'high', ['taut_band'], 'yes'),
                    $felt('extensor_carpi_radialis_longus', 'left', 1),
                ],
            ]),
            'done' => $visit === 2 ? [] : [[
                'extensor_carpi_radialis_longus', 'right', 'stripping', 'knuckle', [[4, 5, 6], [2, 3]][$visit], ['softened'],
            ]],
            'note' => [
                'happened' => $visit === 2 ? 'Grip weaker since last week: nothing was pressed, a letter to the doctor.' : 'Forearm right.',
                'advice' => $visit === 2 ? 'To the doctor this week.' : 'Rest the gouge for two days.',
                'next_time' => 'After the doctor.',
            ],
        ], [0, 1, 2]),
    ],
];
