<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
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
        $chance = new Randomizer(new Xoshiro256StarStar($seed));
        for ($n = 0; $n < $count; $n++) {
            yield $n => $this->one($chance);
        }
    }

    /** @return IntakeCase */
    private function one(Randomizer $chance): array
    {
        $age = $this->pick($chance, [12, 16, 17, 18, 25, 40, 58, 74, 75, 88]);
        $health = [
            'others_denied' => $this->oneIn($chance, 2), 'red_flags' => $this->flags($chance), 'conditions' => $this->conditions($chance), 'medicines' => $this->medicines($chance),
        ];
        if ($this->oneIn($chance, 3)) {
            $health['leg_signs'] = $this->answer($chance);
            $health['calf_clot_items'] = $this->some($chance, array_keys($this->rules->clotItems), 4, fn (): string => $this->answer($chance));
        }
        if ($this->oneIn($chance, 4)) {
            $health['answered_on'] = $this->some($chance, ['red_flags_every_visit', 'red_flags_other', 'conditions', 'medicines'], 2, fn (): string => $this->daysAgo($chance, 200));
        }
        $case = [
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => self::AS_OF,
            'client' => ['age' => $age, 'hand' => $this->side($chance), ...($this->oneIn($chance, 2) ? ['guardian_consent' => true] : [])],
            'health' => $health, 'findings' => [], 'session' => ['minutes' => 60],
        ];
        if ($this->oneIn($chance, 3)) {
            $case['findings']['complaints'] = [[...$this->place($chance), 'now' => 5]];
        }
        if ($this->oneIn($chance, 6)) {
            $case['findings']['tests'] = [['test' => 'positional_artery', 'side' => $this->side($chance), 'result' => 'positive']];
        }
        if ($this->oneIn($chance, 3)) {
            $case['findings']['palpation'] = $this->felt($chance);
        }
        if ($this->oneIn($chance, 4)) {
            $case['history'] = [['date' => $this->daysAgo($chance, 30), 'findings' => ['palpation' => $this->felt($chance), 'tests' => [$this->graded($chance)]]]];
            $case['findings']['tests'] = [...$case['findings']['tests'] ?? [], $this->graded($chance)];
        }
        if ($this->oneIn($chance, 5)) {
            $case['overrides'] = [[
                'verdict' => $this->pick($chance, ['modify', 'defer', 'refer']), 'by_licensed' => $this->oneIn($chance, 2), 'reason' => 'Talked over with her doctor.',
                'on' => $this->oneIn($chance, 2) ? self::AS_OF : $this->daysAgo($chance, 10),
            ]];
        }

        return $case;
    }

    /** @return non-empty-list<array<string, mixed>> one place of a muscle, with or without a sign of inflammation */
    private function felt(Randomizer $chance): array
    {
        $muscle = $this->atlas->muscle($this->pick($chance, ['gastrocnemius', 'levator_scapulae', 'deltoid_middle', 'extensor_carpi_radialis', 'vastus_medialis']));

        return [['muscle' => $muscle->id, 'side' => $this->side($chance), 'tenderness' => 2, 'texture' => $this->pick($chance, [['taut_band'], ['swollen'], ['warm'], ['warm', 'swollen']])]];
    }

    /** @return array<string, mixed> */
    private function graded(Randomizer $chance): array
    {
        return ['test' => 'swelling', 'side' => $this->side($chance), 'value' => $chance->getInt(0, 3)];
    }

    /** @return array<string, string> */
    private function flags(Randomizer $chance): array
    {
        $flags = [];
        foreach (array_keys($this->rules->flags->flags) as $flag) {
            $roll = $chance->getInt(0, 39);
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
    private function conditions(Randomizer $chance): array
    {
        $list = [];
        foreach ($this->pickSome($chance, array_keys($this->rules->conditions), 4) as $id) {
            $answer = ['condition' => $id, 'answer' => $this->answer($chance)];
            foreach ([
                'severity' => fn (): string => $this->pick($chance, ['mild', 'moderate', 'severe']),
                'stage' => fn (): string => $this->pick($chance, ['acute', 'subacute', 'late', 'settled']),
                'since' => fn (): string => $this->daysAgo($chance, $this->pick($chance, [3, 30, 120, 900])),
                'zones' => fn (): array => [$this->place($chance)],
            ] as $detail => $make) {
                if ($this->oneIn($chance, 2)) {
                    $answer[$detail] = $make();
                }
            }
            $answer += match ($id) {
                'pregnancy' => $this->oneIn($chance, 2) ? ['weeks_pregnant' => $chance->getInt(1, 41)] : [],
                'high_blood_pressure' => $this->oneIn($chance, 2) ? ['systolic' => $chance->getInt(100, 200), 'diastolic' => $chance->getInt(60, 120), 'controlled' => $this->answer($chance)] : [],
                'whiplash_injury' => $this->oneIn($chance, 2) ? ['swelling_trend' => $this->pick($chance, ['rising', 'same', 'falling', 'gone'])] : [],
                default => [],
            };
            $list[] = $answer;
        }

        return $list;
    }

    /** @return list<array<string, mixed>> */
    private function medicines(Randomizer $chance): array
    {
        return array_map(fn (string $id): array => ['medicine' => $id, 'answer' => $this->answer($chance), 'places' => [$this->place($chance)]], $this->pickSome($chance, array_keys($this->rules->medicines), 2));
    }

    /** @return array{zone: string, side: string} */
    private function place(Randomizer $chance): array
    {
        $zone = $this->pick($chance, array_keys($this->atlas->zones));

        return ['zone' => $zone, 'side' => $this->atlas->zone($zone)->midline ? 'midline' : $this->side($chance)];
    }

    private function side(Randomizer $chance): string
    {
        return $this->pick($chance, ['left', 'right']);
    }

    private function answer(Randomizer $chance): string
    {
        return $this->pick($chance, ['yes', 'no', 'unknown']);
    }

    private function daysAgo(Randomizer $chance, int $most): string
    {
        return (new \DateTimeImmutable(self::AS_OF))->modify('-'.$chance->getInt(0, $most).' days')->format('Y-m-d');
    }

    private function oneIn(Randomizer $chance, int $many): bool
    {
        return $chance->getInt(1, $many) === 1;
    }

    /**
     * @template T
     *
     * @param  list<T>  $from  not empty
     * @return T
     */
    private function pick(Randomizer $chance, array $from): mixed
    {
        return $from[$chance->getInt(0, count($from) - 1)];
    }

    /**
     * @param  list<string>  $from
     * @return list<string> none to as many as said, each once
     */
    private function pickSome(Randomizer $chance, array $from, int $most): array
    {
        return array_slice($chance->shuffleArray($from), 0, $chance->getInt(0, $most));
    }

    /**
     * @param  list<string>  $from
     * @param  callable(): string  $make
     * @return array<string, string>
     */
    private function some(Randomizer $chance, array $from, int $most, callable $make): array
    {
        $chosen = [];
        foreach ($this->pickSome($chance, $from, $most) as $key) {
            $chosen[$key] = $make();
        }

        return $chosen;
    }
}
