<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Handwork\Exposed;
use Somatrace\Core\Handwork\PlanFigures;

/** Keeps the muscles of a region, taken together, within what it is worked in a visit. */
final readonly class Totals
{
    /** @param  float  $share  of the usual minutes */
    public function __construct(private PlanFigures $figures, private Exposed $exposed, private float $share)
    {
    }

    /**
     * The targets of a region that has more than its total, of one of which less is to be made.
     *
     * @param  list<Target>  $targets
     * @return array{non-empty-list<Target>, string}|null the last first, with why
     */
    public function over(Solution $solution, array $targets): ?array
    {
        $rank = array_flip(array_map(static fn (Target $one): string => $one->key, $targets));
        foreach ($this->figures->regionTotals as $total) {
            $most = $total->most($this->exposed) * $this->share;
            $minutes = $chosen = [];
            foreach ($solution->chosen as $one) {
                $at = $one->target->work?->at;
                $other = $one->option->otherSide[$one->composition->size->value] ?? null;
                foreach ($at === null ? [] : [[$at, $one->minutes()], [$at->mirrored(), $other?->minutes() ?? 0.0]] as [$where, $spent]) {
                    $part = $total->part($where);
                    if ($part !== null) {
                        $minutes[$part] = ($minutes[$part] ?? 0) + $spent;
                        $chosen[$part][] = $one;
                    }
                }
            }
            foreach ($minutes as $part => $spent) {
                if ($spent > $most + 1e-9) {
                    // in the order of the targets, which holds for a mirrored client too
                    usort($chosen[$part], static fn (Chosen $a, Chosen $b): int => $rank[$b->target->key] <=> $rank[$a->target->key]);

                    return [
                        array_map(static fn (Chosen $one): Target => $one->target, $chosen[$part]),
                        ucfirst($total->name).': '.round($most, 1).' minutes a visit at most.',
                    ];
                }
            }
        }

        return null;
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
