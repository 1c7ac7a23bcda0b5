<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Safety\SafetyRules;

/**
 * Made-up intakes for trying the safety rules on: valid, of every kind, the same for the same seed.
 *
 * @phpstan-type IntakeCase array{
 *     format: string, version: int, as_of: string, client: array<string, mixed>, session: array<string, mixed>,
 *     findings: array{palpation?: list<array<string, mixed>>, tests?: list<array<string, mixed>>, complaints?: list<array<string, mixed>>,
 * range?: list<array<string, mixed>>, resisted?: list<array<string, mixed>>},
 *     health: array{
 *         others_denied: bool, red_flags: array<string, string>, conditions: list<array<string, mixed>>, medicines: list<array<string,
 * mixed>>, leg_signs?: string,
 *         calf_clot_items?: array<string, string>, answered_on?: array<string, string>, groups_asked?: array<string, string>,
 * red_flag_since?: array<string, string>
 *     },
 *     history?: list<array<string, mixed>>, overrides?: list<array<string, mixed>>
 * }
 */
final readonly class Intakes
{
    private const AS_OF = '2026-03-02';

    public function __construct(private Atlas $atlas, private SafetyRules $rules)
    {
    }

    /** @return \Generator<int, IntakeCase> case documents */
    public function many(int $count, int $seed): \Generator
    {
        $chance = new Chance($seed);
        for ($n = 0; $n < $count; $n++) {
            yield $n => $this->one($chance);
        }
    }

    /** @return IntakeCase */
    private function one(Chance $chance): array
    {
        $age = $chance->pick([12, 16, 17, 18, 25, 40, 58, 74, 75, 88]);
        $health = [
            'others_denied' => $chance->oneIn(2), 'red_flags' => $this->flags($chance), 'conditions' => $this->conditions($chance),
            'medicines' => $this->medicines($chance),
        ];
        if ($chance->oneIn(3)) {
            $health['leg_signs'] = $this->answer($chance);
            $health['calf_clot_items'] = $this->some(
                $chance, array_keys($this->rules->clot->items), 4, fn (): string => $this->answer($chance),
            );
        }
        if ($chance->oneIn(4)) {
            $health['answered_on'] = $this->some(
                $chance, ['red_flags_every_visit', 'red_flags_other', 'conditions', 'medicines'], 2,
                fn (): string => $this->daysAgo($chance, 200),
            );
        }
        $case = [
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => self::AS_OF,
            'client' => ['age' => $age, 'hand' => $this->side($chance), ...($chance->oneIn(2) ? ['guardian_consent' => true] : [])],
            'health' => $health, 'findings' => [], 'session' => ['minutes' => 60],
        ];
        if ($chance->oneIn(3)) {
            $case['findings']['complaints'] = [[...$this->place($chance), 'now' => 5]];
        }
        if ($chance->oneIn(3)) {
            $case['client']['sex'] = $chance->pick(['female', 'male', 'other']);
        }
        if ($chance->oneIn(8)) {
            $case['client']['skin'] = 'fragile';
        }
        if ($chance->oneIn(4)) {
            $groups = $this->some(
                $chance, [...array_keys($this->rules->groups), 'red_flags_every_visit', 'red_flags_other'], 7,
                fn (): string => $this->daysAgo($chance, 120),
            );
            $case['health'] += $groups === [] ? [] : ['groups_asked' => $groups];
        }
        if ($chance->oneIn(3)) {
            $case['findings'] = [...$case['findings'], ...$this->measured($chance)];
        }
        if ($chance->oneIn(3)) {
            $case['findings']['palpation'] = [...$case['findings']['palpation'] ?? [], ...$this->felt($chance)];
        }
        if ($chance->oneIn(4)) {
            $case['history'] = [[
                'date' => $this->daysAgo($chance, 30),
                'findings' => ['palpation' => $this->felt($chance), 'tests' => [$this->graded($chance)]],
            ]];
            $case['findings']['tests'] = [...$case['findings']['tests'] ?? [], $this->graded($chance)];
        }
        if ($chance->oneIn(5)) {
            $case['overrides'] = [[
                'verdict' => $chance->pick(['modify', 'defer', 'refer']), 'by_licensed' => $chance->oneIn(2),
                'reason' => 'Talked over with her doctor.',
                'on' => $chance->oneIn(2) ? self::AS_OF : $this->daysAgo($chance, 10),
            ]];
        }

        return $case;
    }

    /**
     * Signs of nerves, vessels, bones and of pain that nothing explains, alone and together.
     *
     * @return array{
     *     complaints: list<array<string, mixed>>, tests: list<array<string, mixed>>, resisted: list<array<string, mixed>>,
     *     range: list<array<string, mixed>>, palpation?: list<array<string, mixed>>,
     * }
     */
    private function measured(Chance $chance): array
    {
        $side = $this->side($chance);
        $arm = $chance->oneIn(2);
        $limb = $arm ? ['arm_back', 'forearm_outer', 'thumb', 'fingers_index_middle'] : ['thigh_back', 'calf_upper', 'shin', 'big_toe'];
        $zone = $chance->pick([...$limb, 'low_back', 'neck_back', 'buttock']);
        $tests = [];
        foreach ($this->atlas->tests as $test) {
            if ($test->result === 'result' && $chance->oneIn(4)) {
                $tests[] = [
                    'test' => $test->id, 'side' => $test->paired ? $side : 'midline',
                    'result' => $chance->pick(['positive', 'negative', 'relieves', 'not_done']),
                    ...($chance->oneIn(2) ? ['seconds' => $chance->pick([8, 30])] : []),
                    ...($chance->oneIn(2) ? ['refers_to' => [['zone' => $chance->pick($limb), 'side' => $side]]] : []),
                ];
            }
        }
        if ($chance->oneIn(3)) {
            foreach (['left', 'right'] as $one) {
                $tests[] = ['test' => 'calf_girth', 'side' => $one, 'value' => $chance->int(33, 38)];
            }
        }
        $trunk = $chance->oneIn(3);
        $movements = $trunk
            ? ['trunk.flexion', 'trunk.extension', 'trunk.side_bend', 'thoracic.rotation']
            : [$arm ? 'elbow.extension' : 'knee.flexion', 'cervical.flexion'];

        return [
            'complaints' => [[
                'zone' => $trunk ? 'low_back' : $zone, 'side' => $side, 'now' => $chance->int(1, 9), 'since' => $this->daysAgo($chance, 90),
                ...($chance->oneIn(2) ? ['qualities' => [$chance->pick(['tingling', 'numb', 'electric', 'ache'])]] : []),
            ]],
            'tests' => $tests,
            'resisted' => $chance->oneIn(3)
                ? [['movement' => $arm ? 'elbow.extension' : 'knee.extension', 'side' => $side, 'strength' => $chance->int(1, 5)]]
                : [],
            'range' => array_map(fn (string $movement): array => [
                'movement' => $movement, 'side' => $this->atlas->movement($movement)->paired ? $side : 'midline',
                'active' => $this->atlas->movement($movement)->norm,
                'pain' => $trunk ? 0 : $chance->int(0, 5),
                ...($chance->oneIn(4) ? ['end_feel' => $chance->pick(['firm', 'hard', 'empty', 'springy'])] : []),
            ], $movements),
            ...($trunk ? ['palpation' => array_map(
                static fn (string $muscle): array => ['muscle' => $muscle, 'side' => $side, 'tenderness' => 0],
                ['erector_spinae_lumbar', 'quadratus_lumborum', 'multifidus_lumbar', 'thoracolumbar_fascia'],
            )] : []),
        ];
    }

    /** @return non-empty-list<array<string, mixed>> one place of a muscle, with or without a sign of inflammation */
    private function felt(Chance $chance): array
    {
        $muscle = $this->atlas->muscle($chance->pick([
            'gastrocnemius', 'levator_scapulae', 'deltoid_middle', 'extensor_carpi_radialis', 'vastus_medialis',
        ]));

        return [[
            'muscle' => $muscle->id, 'side' => $this->side($chance), 'tenderness' => 2,
            'texture' => $chance->pick([['taut_band'], ['swollen'], ['warm'], ['warm', 'swollen']]),
        ]];
    }

    /** @return array<string, mixed> */
    private function graded(Chance $chance): array
    {
        return ['test' => 'swelling', 'side' => $this->side($chance), 'value' => $chance->int(0, 3)];
    }

    /** @return array<string, string> */
    private function flags(Chance $chance): array
    {
        $flags = [];
        foreach (array_keys($this->rules->flags->flags) as $flag) {
            $roll = $chance->int(0, 39);
            if ($roll < 20) {
                $flags[$flag] = match (true) {
                    $roll === 0 => 'yes',
                    $roll < 3 => 'unknown',
                    default => 'no',
                };
            }
        }

        return $flags;
    }

    /** @return list<array<string, mixed>> */
    private function conditions(Chance $chance): array
    {
        $list = [];
        foreach ($chance->some(array_keys($this->rules->conditions), 4) as $id) {
            $answer = ['condition' => $id, 'answer' => $this->answer($chance)];
            foreach ([
                'severity' => fn (): string => $chance->pick(['mild', 'moderate', 'severe']),
                'stage' => fn (): string => $chance->pick(['acute', 'subacute', 'late', 'settled']),
                'since' => fn (): string => $this->daysAgo($chance, $chance->pick([3, 30, 120, 900])),
                'zones' => fn (): array => [$this->place($chance)],
            ] as $detail => $make) {
                if ($chance->oneIn(2)) {
                    $answer[$detail] = $make();
                }
            }
            $answer += match ($id) {
                'pregnancy' => $chance->oneIn(2) ? ['weeks_pregnant' => $chance->int(1, 41)] : [],
                'high_blood_pressure' => $chance->oneIn(2)
                    ? ['systolic' => $chance->int(100, 200), 'diastolic' => $chance->int(60, 120), 'controlled' => $this->answer($chance)]
                    : [],
                'whiplash_injury' => $chance->oneIn(2) ? ['swelling_trend' => $chance->pick(['rising', 'same', 'falling', 'gone'])] : [],
                default => [],
            };
            $list[] = $answer;
        }

        return $list;
    }

    /** @return list<array<string, mixed>> */
    private function medicines(Chance $chance): array
    {
        return array_map(fn (string $id): array => [
            'medicine' => $id, 'answer' => $this->answer($chance), ...($chance->oneIn(2) ? ['places' => [$this->place($chance)]] : []),
            ...($chance->oneIn(2) ? ['weeks' => $chance->pick([2, 20])] : []),
            ...($chance->oneIn(3) ? ['last_dose_hours' => $chance->pick([1, 6])] : []),
        ], $chance->some(array_keys($this->rules->medicines), 2));
    }

    /** @return array{zone: string, side: string} */
    private function place(Chance $chance): array
    {
        $zone = $chance->pick(array_keys($this->atlas->zones));

        return ['zone' => $zone, 'side' => $this->atlas->zone($zone)->midline ? 'midline' : $this->side($chance)];
    }

    private function side(Chance $chance): string
    {
        return $chance->pick(['left', 'right']);
    }

    private function answer(Chance $chance): string
    {
        return $chance->pick(['yes', 'no', 'unknown']);
    }

    private function daysAgo(Chance $chance, int $most): string
    {
        return (new \DateTimeImmutable(self::AS_OF))->modify('-'.$chance->int(0, $most).' days')->format('Y-m-d');
    }

    /**
     * @param  list<string>  $from
     * @param  callable(): string  $make
     * @return array<string, string>
     */
    private function some(Chance $chance, array $from, int $most, callable $make): array
    {
        $chosen = [];
        foreach ($chance->some($from, $most) as $key) {
            $chosen[$key] = $make();
        }

        return $chosen;
    }
}
