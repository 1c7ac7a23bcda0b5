<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Safety\SafetyRules;

/**
 * Made-up intakes for trying the safety rules on: valid, of every kind, the same for the same seed.
 *
 * @phpstan-type IntakeCase array{
 *     format: string, version: int, as_of: string, client: array<string, mixed>, findings: array{palpation?: list<array<string, mixed>>, tests?: list<array<string, mixed>>, complaints?: list<array<string, mixed>>}, session: array<string, mixed>,
 *     health: array{others_denied: bool, red_flags: array<string, string>, conditions: list<array<string, mixed>>, medicines: list<array<string, mixed>>, leg_signs?: string, calf_clot_items?: array<string, string>, answered_on?: array<string, string>},
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
            'others_denied' => $chance->oneIn(2), 'red_flags' => $this->flags($chance), 'conditions' => $this->conditions($chance), 'medicines' => $this->medicines($chance),
        ];
        if ($chance->oneIn(3)) {
            $health['leg_signs'] = $this->answer($chance);
            $health['calf_clot_items'] = $this->some($chance, array_keys($this->rules->clotItems), 4, fn (): string => $this->answer($chance));
        }
        if ($chance->oneIn(4)) {
            $health['answered_on'] = $this->some($chance, ['red_flags_every_visit', 'red_flags_other', 'conditions', 'medicines'], 2, fn (): string => $this->daysAgo($chance, 200));
        }
        $case = [
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => self::AS_OF,
            'client' => ['age' => $age, 'hand' => $this->side($chance), ...($chance->oneIn(2) ? ['guardian_consent' => true] : [])],
            'health' => $health, 'findings' => [], 'session' => ['minutes' => 60],
        ];
        if ($chance->oneIn(3)) {
            $case['findings']['complaints'] = [[...$this->place($chance), 'now' => 5]];
        }
        if ($chance->oneIn(6)) {
            $case['findings']['tests'] = [['test' => 'positional_artery', 'side' => $this->side($chance), 'result' => 'positive']];
        }
        if ($chance->oneIn(3)) {
            $case['findings']['palpation'] = $this->felt($chance);
        }
        if ($chance->oneIn(4)) {
            $case['history'] = [['date' => $this->daysAgo($chance, 30), 'findings' => ['palpation' => $this->felt($chance), 'tests' => [$this->graded($chance)]]]];
            $case['findings']['tests'] = [...$case['findings']['tests'] ?? [], $this->graded($chance)];
        }
        if ($chance->oneIn(5)) {
            $case['overrides'] = [[
                'verdict' => $chance->pick(['modify', 'defer', 'refer']), 'by_licensed' => $chance->oneIn(2), 'reason' => 'Talked over with her doctor.',
                'on' => $chance->oneIn(2) ? self::AS_OF : $this->daysAgo($chance, 10),
            ]];
        }

        return $case;
    }

    /** @return non-empty-list<array<string, mixed>> one place of a muscle, with or without a sign of inflammation */
    private function felt(Chance $chance): array
    {
        $muscle = $this->atlas->muscle($chance->pick(['gastrocnemius', 'levator_scapulae', 'deltoid_middle', 'extensor_carpi_radialis', 'vastus_medialis']));

        return [['muscle' => $muscle->id, 'side' => $this->side($chance), 'tenderness' => 2, 'texture' => $chance->pick([['taut_band'], ['swollen'], ['warm'], ['warm', 'swollen']])]];
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
                'high_blood_pressure' => $chance->oneIn(2) ? ['systolic' => $chance->int(100, 200), 'diastolic' => $chance->int(60, 120), 'controlled' => $this->answer($chance)] : [],
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
        return array_map(fn (string $id): array => ['medicine' => $id, 'answer' => $this->answer($chance), 'places' => [$this->place($chance)]], $chance->some(array_keys($this->rules->medicines), 2));
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
