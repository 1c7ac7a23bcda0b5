<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\Anatomy\Region;
use Somatrace\Core\CaseFile\CaseFile;

/** Cases made up by a seeded chance: valid, varied, the same for the same seed. */
final readonly class MadeUpCases
{
    private const MIDLINE = ['vertex', 'chin', 'breastbone'];

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function many(int $count, int $seed = 20261125): iterable
    {
        mt_srand($seed);
        $made = [];
        for ($n = 0; $n < $count; $n++) {
            $made["made-up case $n"] = [self::one()];
        }
        mt_srand();

        return $made;
    }

    /**
     * @return iterable<string, array{array<string, mixed>, string}> some assessments of every region, with all kinds of findings, and the
     * region
     */
    public static function ofEveryRegion(int $each, int $seed = 20261126): iterable
    {
        mt_srand($seed);
        $made = [];
        foreach (Core::clinic()->atlas()->regions as $region) {
            for ($n = 0; $n < $each; $n++) {
                $made["{$region->name}, $n"] = [self::inRegion($region), $region->id];
            }
        }
        mt_srand();

        return $made;
    }

    /** @return array<string, mixed> */
    private static function inRegion(Region $region): array
    {
        $atlas = Core::clinic()->atlas();
        $side = static fn (): string => mt_rand(0, 1) === 1 ? 'left' : 'right';
        $pick = static fn (array $from): mixed => $from[array_rand($from)];
        $case = CaseBuilder::aCase()->with(['client' => ['hand' => $side()]]);
        $zone = (string) $pick($region->zones);
        $case->complaint($zone, $atlas->zone($zone)->midline ? 'midline' : $side(), mt_rand(2, 18) / 2);
        foreach ([...$region->quick, ...$region->more] as [$kind, $id]) {
            $about = $kind === 'test' ? $atlas->test($id) : $atlas->movement($id);
            foreach ($about->paired ? ['left', 'right'] : ['midline'] as $where) {
                if (mt_rand(0, 2) === 0) {
                    continue;
                }
                match ($kind) {
                    'range' => $case->range(
                        $id, $where,
                        [
                            'active' => max(
                                $about->min ?? 0,
                                min($about->max ?? 0, ($about->norm ?? 0) - mt_rand(0, 4) * ($about->measurementError ?? 1)),
                            ),
                            'pain' => mt_rand(0, 5),
                        ],
                    ),
                    'resisted' => $case->add(
                        'findings', 'resisted', ['movement' => $id, 'side' => $where, 'strength' => mt_rand(3, 5), 'pain' => mt_rand(0, 5)],
                    ),
                    default => $case->add(
                        'findings', 'tests',
                        [
                            'test' => $id, 'side' => $where,
                            ...(
                                $about->max === null
                                    ? ['result' => $pick(['negative', 'positive'])]
                                    : ['value' => mt_rand(0, (int) min(3, $about->max))]
                            ),
                        ],
                    ),
                };
            }
        }
        foreach ($region->quickMuscles as $muscle) {
            foreach (['left', 'right'] as $where) {
                $case->felt(
                    $muscle, $where,
                    [
                        'tenderness' => mt_rand(0, 4), 'tone' => $pick(['usual', 'high']), 'texture' => $pick([[], ['taut_band']]),
                        'familiar' => $pick(['yes', 'no', 'unknown']),
                    ],
                );
            }
        }
        foreach ((array) array_rand($atlas->postureSigns, 4) as $sign) {
            $case->add(
                'findings', 'posture',
                ['sign' => (string) $sign, 'side' => $atlas->postureSigns[$sign]->paired ? $side() : 'midline', 'grade' => mt_rand(0, 3)],
            );
        }

        return self::withDemands($case->toArray(), $atlas->demands, $side);
    }

    /** @return array<string, mixed> */
    private static function one(): array
    {
        $atlas = Core::clinic()->atlas();
        $side = static fn (): string => mt_rand(0, 1) === 1 ? 'left' : 'right';
        $pick = static fn (array $from): mixed => $from[array_rand($from)];
        $zones = array_keys($atlas->zones);
        $case = CaseBuilder::aCase()->aged(mt_rand(19, 72))->with([
            'client' => ['stoic' => mt_rand(0, 3) === 0, 'hand' => $side()],
            'session' => [
                'minutes' => $pick([20, 30, 45, 60, 75, 90]),
                'school' => [
                    'pressure' => $pick(['under_pain', 'firm_seven', 'up_to_eight']), 'order' => $pick(['source_first', 'site_first']),
                    'both_sides' => $pick(['affected_deep_other_light', 'always_equal', 'affected_only']),
                ],
            ],
            'therapist' => ['mass_kg' => mt_rand(50, 95)],
        ]);
        $seen = [];
        for ($i = mt_rand(1, 2); $i > 0; $i--) {
            $zone = (string) $pick($zones);
            $where = in_array($zone, self::MIDLINE, true) ? 'midline' : $side();
            if (! isset($seen["$zone$where"])) {
                $case->complaint($zone, $where, mt_rand(2, 18) / 2);
                $seen["$zone$where"] = true;
            }
        }
        foreach ((array) array_rand($atlas->muscles, mt_rand(3, 9)) as $muscle) {
            $case->felt((string) $muscle, $side(), array_filter([
                'tenderness' => mt_rand(0, 4), 'tone' => $pick(['usual', 'high', 'spasm']),
                'texture' => $pick([[], ['taut_band'], ['taut_band', 'nodule']]), 'familiar' => $pick(['yes', 'no', 'unknown']),
            ], static fn (mixed $value): bool => $value !== []));
        }
        foreach ((array) array_rand($atlas->movements, mt_rand(2, 6)) as $id) {
            $movement = $atlas->movement((string) $id);
            foreach ($movement->paired ? ['left', 'right'] : ['midline'] as $where) {
                $case->range(
                    $movement->id, $where,
                    [
                        'active' => max($movement->min, min($movement->max, $movement->norm - mt_rand(0, 4) * $movement->measurementError)),
                        'pain' => mt_rand(0, 6),
                    ],
                );
            }
        }

        return self::withDemands($case->agreed(...array_keys($atlas->consentAreas))->toArray(), $atlas->demands, $side);
    }

    /**
     * @param  array<string, mixed>  $case
     * @param  array<string, string>  $demands
     * @param  callable(): string  $side
     * @return array<string, mixed>
     */
    private static function withDemands(array $case, array $demands, callable $side): array
    {
        $case['demands'] = array_map(
            static fn (int|string $demand): array => ['demand' => (string) $demand, 'side' => $side()], (array) array_rand($demands, 2),
        );

        return $case;
    }

    /** @param  array<string, mixed>  $case */
    public static function read(array $case): CaseFile
    {
        return Core::case($case);
    }
}
