<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Simulation\Chance;

/**
 * Clients in the middle of something: with visits behind them, an injury, hands that are spared, a device, a long or a very short visit.
 * Valid, of every region, the same for the same seed.
 */
final readonly class MadeUpCourses
{
    private const AS_OF = '2026-03-02';

    private const CONDITIONS = [
        ['condition' => 'muscle_strain', 'zoned' => true, 'dated' => true], ['condition' => 'pregnancy', 'weeks' => true],
        ['condition' => 'osteoporosis'], ['condition' => 'hypermobility'], ['condition' => 'joint_replacement', 'zoned' => true],
        ['condition' => 'whiplash_injury', 'dated' => true], ['condition' => 'anticoagulant_or_clotting_disorder'],
        ['condition' => 'varicose_veins', 'zoned' => true], ['condition' => 'tendon_inflammation', 'zoned' => true, 'dated' => true],
        ['condition' => 'disc_or_root_signs'], ['condition' => 'fibromyalgia'],
    ];

    public function __construct(private Chance $chance)
    {
    }

    /** @return array<string, array{array<string, mixed>}> case documents by name */
    public static function ofEveryRegion(int $each, int $seed = 20261128): array
    {
        $courses = new self(new Chance($seed));
        $made = [];
        foreach (MadeUpCases::ofEveryRegion($each, $seed) as $name => [$case]) {
            $made[$name] = [$courses->continued($case)];
        }

        return $made;
    }

    /** @return iterable<string, CaseFile> those with stiff joints who are treated */
    public static function treated(int $each): iterable
    {
        foreach (self::stiff($each) as $name => [$document]) {
            $case = MadeUpCases::read($document);
            if (Core::clinic()->screen($case)->verdict->allowsTreatment()) {
                yield $name => $case;
            }
        }
    }

    /**
     * @return array<string, array{array<string, mixed>}> the same with joints that were found stiff, layers that stick, and what fights
     * back
     */
    public static function stiff(int $each, int $seed = 20261129): array
    {
        $chance = new Chance($seed + 1);
        $levels = ['C0', 'C2', 'C5', 'T3', 'T6', 'T12', 'L2', 'L4'];
        $glides = [
            'patella.glide_in', 'patella.glide_up', 'patella.glide_out', 'scapula.elevation', 'scapula.adduction', 'scapula.depression',
        ];
        $made = [];
        foreach (self::ofEveryRegion($each, $seed) as $name => [$case]) {
            for ($n = $chance->int(0, 3); $n > 0; $n--) {
                $segment = $chance->oneIn(5) ? null : $chance->pick($levels);
                $one = [
                    'test' => $segment === null ? 'first_rib_spring' : 'segment_spring', 'side' => $chance->pick(['left', 'right']),
                    ...($segment === null ? [] : ['segment' => $segment]), 'value' => $chance->int(0, 2),
                    ...($chance->oneIn(6) ? ['end_feel' => $chance->pick(['hard', 'empty', 'firm'])] : []),
                ];
                $same = static fn (array $other): bool => [$other['test'], $other['side'], $other['segment'] ?? null]
                    === [$one['test'], $one['side'], $segment];
                $case['findings']['tests'] = [
                    ...array_filter($case['findings']['tests'] ?? [], static fn (array $other): bool => ! $same($other)), $one,
                ];
            }
            $case['findings']['tests'] = array_values($case['findings']['tests'] ?? []);
            foreach ($glides as $movement) {
                $known = array_column($case['findings']['range'] ?? [], 'movement');
                if ($chance->oneIn(6) && ! in_array($movement, $known, true)) {
                    $case['findings']['range'][] = [
                        'movement' => $movement, 'side' => $chance->pick(['left', 'right']), 'active' => $chance->int(0, 3),
                    ];
                }
            }
            foreach ($case['findings']['palpation'] ?? [] as $index => $felt) {
                if ($chance->oneIn(5)) {
                    $case['findings']['palpation'][$index]['texture'] = [$chance->pick(['stuck_layers', 'taut_band', 'nodule'])];
                } elseif ($chance->oneIn(8)) {
                    $case['findings']['palpation'][$index]['tone'] = 'spasm';
                }
            }
            $case['findings'] = array_filter($case['findings']);
            $made[$name] = [$case];
        }

        return $made;
    }

    /**
     * @param  array<string, mixed>  $case
     * @return array<string, mixed>
     */
    private function continued(array $case): array
    {
        foreach (self::CONDITIONS as $one) {
            if ($this->chance->oneIn(8)) {
                $case['health']['conditions'][] = array_filter([
                    'condition' => $one['condition'], 'answer' => 'yes', 'severity' => $this->chance->pick(['mild', 'moderate', 'severe']),
                    'since' => isset($one['dated']) ? $this->daysAgo($this->chance->int(1, 60)) : null,
                    'weeks_pregnant' => isset($one['weeks']) ? $this->chance->int(4, 38) : null,
                    'zones' => isset($one['zoned'])
                        ? array_map(
                            static fn (array $hurts): array => array_intersect_key($hurts, ['zone' => 1, 'side' => 1]),
                            array_slice($case['findings']['complaints'], 0, 1),
                        )
                        : null,
                ], static fn (mixed $value): bool => $value !== null);
            }
        }
        $case['client']['age'] = $this->chance->pick([19, 33, 47, 62, 76, 84]);
        $case['client']['stoic'] = $this->chance->oneIn(4);
        $case['session'] = [
            'minutes' => $this->chance->pick([15, 20, 30, 45, 60, 90, 120]),
            'school' => array_map($this->chance->pick(...), Core::clinic()->schools()),
            ...($this->chance->oneIn(4) ? ['positions_possible' => ['side_left', 'side_right', 'seated']] : []),
        ];
        $case['therapist'] = [
            'mass_kg' => $this->chance->int(42, 110), 'experience' => $this->chance->pick(['student', 'qualified', 'advanced']),
            ...($this->chance->oneIn(3) ? ['injured' => [$this->chance->pick(['thumb', 'elbow', 'fingers_reinforced'])]] : []),
            ...($this->chance->oneIn(3) ? ['load_today' => ['thumb' => $this->chance->int(0, 40)]] : []),
            ...($this->chance->oneIn(3) ? ['tools' => ['palm', 'thumb', 'fingers_reinforced', 'percussion_tool']] : []),
        ];
        foreach (array_keys(Core::clinic()->atlas()->consentAreas) as $area) {
            if (! $this->chance->oneIn(4)) {
                $case['consent'][] = ['area' => $area, 'given' => true];
            }
        }
        foreach ($case['findings']['palpation'] ?? [] as $index => $felt) {
            if ($this->chance->oneIn(3)) {
                $case['findings']['palpation'][$index]['ppt_kpa'] = $this->chance->int(60, 700);
            }
        }
        $case['findings']['complaints'][0] += array_filter([
            'since' => $this->chance->oneIn(2) ? $this->daysAgo($this->chance->pick([2, 9, 20, 50, 300])) : null,
            'worst_week' => $this->chance->oneIn(2) ? 10 : null,
            'qualities' => $this->chance->oneIn(3)
                ? [$this->chance->pick(['ache', 'tingling', 'burning', 'sharp'])]
                : null,
        ], static fn (mixed $value): bool => $value !== null);
        if ($this->chance->oneIn(3)) {
            $case['findings']['function'] = array_map(
                fn (string $task): array => ['task' => $task, 'score' => $this->chance->int(0, 9)],
                array_slice(['lift the rod', 'look behind', 'stand an hour'], 0, $this->chance->int(1, 3)),
            );
        }
        if ($this->chance->oneIn(6)) {
            $case['health']['red_flags'][$this->chance->pick(['night_pain_unrelenting', 'weight_loss_unexplained'])] = 'yes';
        }
        if ($this->chance->oneIn(5)) {
            $case['findings']['complaints'][0]['now'] = 9; // hurts, and whatever is moved or felt is painless
            foreach (['range', 'resisted', 'palpation'] as $list) {
                $case['findings'][$list] = array_map(
                    static fn (array $one): array => [
                        ...$one, ...isset($one['tenderness']) ? ['tenderness' => 0, 'familiar' => 'no'] : ['pain' => 0],
                    ],
                    $case['findings'][$list] ?? [],
                );
            }
            $case['findings'] = array_filter($case['findings']);
        }
        foreach ($case['findings']['palpation'] ?? [] as $index => $felt) {
            if ($felt['tenderness'] >= 2 && $this->chance->oneIn(5)) {
                $zone = $this->chance->pick(array_keys(Core::clinic()->atlas()->zones));
                $side = Core::clinic()->atlas()->zone($zone)->midline ? 'midline' : $felt['side'];
                $case['findings']['palpation'][$index]['refers_to'] = [['zone' => $zone, 'side' => $side]];
            }
        }
        foreach ($case['findings']['range'] ?? [] as $index => $moved) {
            if ($this->chance->oneIn(12)) {
                $case['findings']['range'][$index] = [...$moved, 'end_feel' => $this->chance->pick(['hard', 'empty', 'springy', 'firm'])];
            }
        }
        if ($this->chance->oneIn(6)) {
            $others = static fn (array $one): bool => $one['test'] !== 'night_waking';
            $case['findings']['tests'] = array_values(array_filter($case['findings']['tests'] ?? [], $others));
            $case['findings']['tests'][] = ['test' => 'night_waking', 'side' => 'midline', 'result' => 'positive'];
        }
        $stuck = $this->chance->oneIn(4);
        for ($visits = $this->chance->int(0, $stuck ? 9 : 5), $days = 0; $visits > 0; $visits--) {
            $days += $this->chance->int(3, 15);
            $past = $this->visit($case['findings'], $this->daysAgo($days));
            $case['history'][] = $stuck ? [...array_diff_key($past, ['after' => 1]), 'findings' => $case['findings']] : $past;
        }
        $case['history'] = array_reverse($case['history'] ?? []);
        if ($case['history'] !== [] && $this->chance->oneIn(3)) {
            $felt = $case['findings']['palpation'][0] ?? null;
            $case['exposure'] = $felt === null ? [] : [['muscle' => $felt['muscle'], 'side' => $felt['side'], 'visits' => 6]];
        }

        return array_filter($this->chance->oneIn(4) ? $this->used($case) : $case, static fn (mixed $part): bool => $part !== []);
    }

    /**
     * Healthy, and used to firm work: neither the first time nor an illness holds the hands back.
     *
     * @param  array<string, mixed>  $case
     * @return array<string, mixed>
     */
    private function used(array $case): array
    {
        $case['client']['age'] = 33;
        $case['health'] = ['others_denied' => true];
        $case['exposure'] = [];
        $case['findings']['complaints'][0]['since'] = $this->daysAgo(300);
        $case['history'] = [];
        foreach ([28, 21, 14, 7] as $days) {
            $spasm = $days === 7 && $this->chance->oneIn(3);
            $case['history'][] = [
                'date' => $this->daysAgo($days), 'findings' => array_intersect_key($case['findings'], ['complaints' => true]),
                'done' => array_map(static fn (array $felt): array => [
                    'muscle' => $felt['muscle'], 'side' => $felt['side'], 'minutes' => 8,
                    'max_pressure' => $days === 7 ? 8 : 5,
                    'seconds_at_pressure' => 240, 'signs' => $spasm ? ['spasm'] : ['softened'],
                ], $case['findings']['palpation'] ?? []),
                'aftermath' => [['hours' => 72, 'soreness_hours' => 6, 'worse' => false]],
            ];
        }

        return $case;
    }

    /**
     * @param  array<string, list<array<string, mixed>>>  $today
     * @return array<string, mixed>
     */
    private function visit(array $today, string $date): array
    {
        $before = array_map(fn (array $list): array => array_map($this->otherwise(...), $list), $today);
        $worked = array_slice($today['palpation'] ?? [], 0, $this->chance->int(1, 4));

        return array_filter([
            'date' => $date, 'findings' => $before,
            'after' => $this->chance->oneIn(2)
                ? array_map(fn (array $list): array => array_map($this->otherwise(...), $list), array_intersect_key($before, [
                    'complaints' => true, 'palpation' => true, 'range' => true,
                ]))
                : [],
            'done' => array_map(fn (array $felt): array => [
                'muscle' => $felt['muscle'], 'side' => $felt['side'], 'minutes' => $this->chance->int(1, 8),
                'max_pressure' => $this->chance->int(2, 8), 'seconds_at_pressure' => $this->chance->int(10, 300),
                'signs' => $this->chance->oneIn(3) ? [$this->chance->pick(['softened', 'nothing_changed', 'spasm', 'referral_faded'])] : [],
            ], $worked),
            'aftermath' => $this->chance->oneIn(2)
                ? [array_filter([
                    'hours' => 72, 'soreness_hours' => $this->chance->pick([0, 12, 30, 60]), 'worse' => $this->chance->oneIn(4),
                    'home_care_done' => $this->chance->oneIn(3) ? null : $this->chance->pick([0, 0.5, 1]),
                ], static fn (mixed $value): bool => $value !== null)]
                : [],
        ], static fn (mixed $part): bool => $part !== []);
    }

    /**
     * The same thing on another day.
     *
     * @param  array<string, mixed>  $finding
     * @return array<string, mixed>
     */
    private function otherwise(array $finding): array
    {
        $by = fn (float $value, float $least, float $most, float $step): float => max(
            $least, min($most, $value + $step * $this->chance->int(-2, 3)),
        );

        return match (true) {
            isset($finding['zone']) => array_diff_key(
                [...$finding, 'now' => $by($finding['now'], 0, 10, 1)], ['worst_week' => 1, 'since' => 1],
            ),
            isset($finding['active']) => [...$finding, 'active' => max(0, $finding['active'] - 6 * $this->chance->int(0, 2))],
            isset($finding['tenderness']) => [...$finding, 'tenderness' => (int) $by($finding['tenderness'], 0, 4, 1)],
            isset($finding['strength']) => [...$finding, 'strength' => (int) $by($finding['strength'], 2, 5, 1)],
            isset($finding['score']) => [...$finding, 'score' => $by($finding['score'], 0, 10, 1)],
            isset($finding['grade']) => [...$finding, 'grade' => (int) $by($finding['grade'], 0, 3, 1)],
            default => $finding,
        };
    }

    private function daysAgo(int $days): string
    {
        return (new \DateTimeImmutable(self::AS_OF))->modify("-$days days")->format('Y-m-d');
    }
}
