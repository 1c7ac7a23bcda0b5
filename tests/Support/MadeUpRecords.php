<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Cases\ClientDetails;
use App\Models\ClientContact;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCases;

/** Records and details made up by a seeded chance: the same for the same seed, with all the odd signs a name or a note can have. */
final readonly class MadeUpRecords
{
    private const ODD = [
        'Zoë', 'O\'Hara', 'Ñandú, jr.', 'a "so-called" one', 'semi;colon', "two\nlines", '=SUM(A1)', "'quoted", '+48 12', '-', '@home',
        'back\\slash', 'ein ß', '日本', 'tab	here', '100 %', '^caret', 'colon: here',
    ];

    /** @return list<array<string, mixed>> documents of the open case format, each with visits before it */
    public static function cases(int $seed): array
    {
        $regions = array_values(MadeUpCases::ofEveryRegion(1, $seed));
        $others = array_values(MadeUpCases::many(count($regions), $seed + 1));
        mt_srand($seed);
        $cases = [];
        foreach ($regions as $index => [$case]) {
            $history = [];
            foreach ([[$regions[($index + 1) % count($regions)][0], '2026-01-12'], [$others[$index][0], '2026-02-03']] as [$past, $date]) {
                // two spots of one muscle, one muscle worked twice, and a joint: what is told apart by little is not lost
                $past['findings']['palpation'] = [
                    ...array_filter(
                        $past['findings']['palpation'] ?? [], static fn (array $one): bool => $one['muscle'] !== 'gluteus_medius',
                    ),
                    ...array_map(
                        static fn (string $spot): array => [
                            'muscle' => 'gluteus_medius', 'side' => 'left', 'site' => 'belly', 'spot' => $spot,
                            'tenderness' => mt_rand(0, 4), 'texture' => [], 'simulated' => true,
                        ],
                        ['front', 'middle', 'back'],
                    ),
                ];
                $history[] = [
                    'date' => $date, 'findings' => $past['findings'],
                    'after' => [
                        'complaints' => array_map(static fn (array $one): array => [...$one, 'now' => 1], $past['findings']['complaints']),
                    ],
                    'done' => [
                        [
                            'muscle' => 'soleus', 'side' => 'left', 'technique' => 'petrissage', 'tool' => 'thumb',
                            'minutes' => mt_rand(1, 20) / 2, 'max_pressure' => mt_rand(2, 14) / 2,
                            'seconds_at_pressure' => mt_rand(10, 400), 'dose_kpa_s' => mt_rand(100, 90000) / 10, 'signs' => ['softened'],
                        ],
                        ['muscle' => 'soleus', 'side' => 'left', 'technique' => 'stripping', 'minutes' => 2, 'max_pressure' => 3],
                        [
                            'joint' => ['kind' => 'neck_level', 'level' => 'C'.mt_rand(0, 7)], 'side' => 'right',
                            'technique' => 'joint_mobilising', 'minutes' => 1.5, 'max_pressure' => 3,
                        ],
                    ],
                    'aftermath' => [['hours' => 24, 'soreness' => mt_rand(0, 8) / 2, 'worse' => mt_rand(0, 1) === 1]],
                ];
            }
            $flags = array_fill_keys(array_keys(Core::clinic()->rules()->flags->flags), 'no');
            $health = [
                'red_flags' => [...$flags, (string) array_rand($flags) => ['yes', 'unknown'][mt_rand(0, 1)]],
                'groups_asked' => ['nerves' => '2026-03-09', 'skin_infection' => '2026-02-20'],
                'answered_on' => ['red_flags_other' => '2026-03-09'],
                'conditions' => [['condition' => 'osteoarthritis', 'answer' => 'yes', 'severity' => 'mild', 'on' => '2026-02-03']],
            ];
            $cases[] = [...$case, 'as_of' => '2026-03-09', 'health' => $health, 'history' => $history];
        }
        mt_srand();

        return $cases;
    }

    /** @return list<array<string, mixed>> as ClientDetails gives them */
    public static function clients(int $count, int $seed): array
    {
        mt_srand($seed);
        $odd = static fn (int $most): string => trim(mb_substr(
            'Person '.self::ODD[array_rand(self::ODD)].' '.self::ODD[array_rand(self::ODD)], 0, $most,
        ));
        $maybe = static fn (mixed $value): mixed => mt_rand(0, 2) === 0 ? null : $value;
        $clients = [];
        for ($n = 1; $n <= $count; $n++) {
            $contacts = [];
            for ($k = mt_rand(0, ClientDetails::MOST_CONTACTS); $k > 0; $k--) {
                $contacts[] = [
                    'kind' => ClientContact::KINDS[array_rand(ClientContact::KINDS)], 'name' => $odd(120),
                    'phone' => $maybe('+49 (30) 1'.mt_rand(100, 999)), 'email' => $maybe("c$n.$k@post.example"),
                    'note' => $maybe($odd(200)),
                ];
            }
            $clients[] = [
                'code' => sprintf('MU-%02d', $n), 'name' => $odd(120),
                'pronoun' => ClientDetails::PRONOUNS[array_rand(ClientDetails::PRONOUNS)],
                'born_on' => sprintf('%d-%02d-%02d', mt_rand(1930, 2015), mt_rand(1, 12), mt_rand(1, 28)),
                'sex' => ClientDetails::SEXES[array_rand(ClientDetails::SEXES)],
                'hand' => $maybe(ClientDetails::HANDS[array_rand(ClientDetails::HANDS)]),
                'mass_kg' => $maybe((float) (mt_rand(80, 220) / 2)), 'skin' => ClientDetails::SKINS[array_rand(ClientDetails::SKINS)],
                'stoic' => mt_rand(0, 1) === 1, 'guardian_name' => $maybe($odd(120)), 'occupation' => $maybe($odd(80)),
                'email' => $maybe("p$n@post.example"), 'phone' => $maybe('+44 20 '.mt_rand(1000, 9999)), 'address' => $maybe($odd(300)),
                'contacts' => $contacts,
            ];
        }
        mt_srand();

        return $clients;
    }
}
