<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Handwork\Exposed;
use Somatrace\Core\Handwork\HandBudgets;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\RegionTotal;
use Somatrace\Core\Handwork\SoFar;

/** Keeps the muscles of a region, taken together, within what it is worked in a visit, and the hands within what they have left. */
final readonly class Totals
{
    /** @param  float  $share  of the usual minutes */
    public function __construct(
        private Atlas $atlas, private PlanFigures $figures, private Exposed $exposed, private HandBudgets $hands, private SoFar $soFar,
        private float $share,
    ) {
    }

    /**
     * The targets of a region that has more than its total, or that cost a part of the hand more than it has left; of one of them less is
     * to be made.
     *
     * @param  list<Target>  $targets
     * @return array{non-empty-list<Target>, string, string|null}|null the last first, with why, and the part of the hand it costs
     */
    public function over(Solution $solution, array $targets): ?array
    {
        $rank = array_flip(array_map(static fn (Target $one): string => $one->key, $targets));
        foreach ($this->figures->regionTotals as $total) {
            $most = $total->most($this->exposed) * $this->share;
            $minutes = $this->spent($total);
            $chosen = [];
            foreach ($solution->chosen as $one) {
                $at = $one->target->work?->at;
                foreach (
                    $at === null ? [] : [[$at, $one->minutes()], [$at->mirrored(), $one->otherSide?->minutes() ?? 0.0]] as [$where, $spent]
                ) {
                    $part = $total->part($where);
                    if ($part !== null && $spent > 0) {
                        $minutes[$part] = ($minutes[$part] ?? 0) + $spent;
                        $chosen[$part][$one->target->key] = $one;
                    }
                }
            }
            foreach ($minutes as $part => $spent) {
                if ($spent > $most + 1e-9 && isset($chosen[$part])) {
                    // in the order of the targets, which holds for a mirrored client too
                    usort($chosen[$part], static fn (Chosen $a, Chosen $b): int => $rank[$b->target->key] <=> $rank[$a->target->key]);

                    return [
                        array_map(static fn (Chosen $one): Target => $one->target, $chosen[$part]),
                        ucfirst($total->name).': '.round($most, 1).' minutes a visit at most.', null,
                    ];
                }
            }
        }

        return $this->overHands($solution, $rank);
    }

    /** @return array<string, float> minutes of today already, by part of the region */
    private function spent(RegionTotal $total): array
    {
        $spent = [];
        foreach ($this->soFar->runs() ? $total->muscles : [] as $muscle) {
            foreach (Side::pair() as $side) {
                $at = new MuscleAt($muscle, $side);
                $part = $total->part($at);
                $minutes = $this->soFar->minutesOf($at);
                if ($part !== null && $minutes > 0) {
                    $spent[$part] = ($spent[$part] ?? 0.0) + $minutes;
                }
            }
        }

        return $spent;
    }

    /**
     * @param  array<string, int>  $rank
     * @return array{non-empty-list<Target>, string, string}|null
     */
    private function overHands(Solution $solution, array $rank): ?array
    {
        $part = $this->hands->over($this->load($solution))[0] ?? null;
        if ($part === null) {
            return null;
        }
        $costly = array_values(array_filter(
            $solution->chosen,
            fn (Chosen $one): bool => array_filter(
                $this->firm($one), fn (Manoeuvre $manoeuvre): bool => $this->atlas->tool($manoeuvre->tool)->costs === $part,
            ) !== [],
        ));
        usort($costly, static fn (Chosen $a, Chosen $b): int => $rank[$b->target->key] <=> $rank[$a->target->key]);
        $targets = array_map(static fn (Chosen $one): Target => $one->target, $costly);

        return $targets === [] ? null : [$targets, $this->hands->words($part), $part];
    }

    /** @return array<string, float> minutes at firm pressure, by tool */
    public function load(Solution $solution): array
    {
        $load = [];
        foreach ($solution->chosen as $one) {
            foreach ($this->firm($one) as $manoeuvre) {
                $load[$manoeuvre->tool] = ($load[$manoeuvre->tool] ?? 0.0) + $manoeuvre->totalSeconds() / 60;
            }
        }

        return $load;
    }

    /** @return list<Manoeuvre> of both sides */
    private function firm(Chosen $one): array
    {
        return array_values(array_filter(
            [...$one->composition->manoeuvres, ...$one->otherSide->manoeuvres ?? []],
            fn (Manoeuvre $manoeuvre): bool => ($manoeuvre->pressure ?? 0) >= $this->figures->firmFrom,
        ));
    }

    /**
     * The same targets with less of this one: without its longest composition, or without it where it has no other.
     *
     * @param  list<Target>  $targets
     * @return list<Target>
     */
    public function less(array $targets, Target $less, Solution $solution): array
    {
        $size = null;
        foreach ($solution->chosen as $one) {
            $size = $one->target->key === $less->key ? $one->composition->size->value : $size;
        }

        return array_values(array_filter(array_map(
            static fn (Target $one): ?Target => $one->key === $less->key ? $one->without((string) $size) : $one, $targets,
        )));
    }
}
