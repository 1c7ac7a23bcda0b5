<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Handwork\Composition;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\School;

/**
 * Chooses targets, ways and minutes. For a set of position families the choice is a knapsack with a fixed price for
 * opening a region (its warm-up), solved exactly over quarter minutes; the sets are few enough to try one by one.
 */
final class Solver
{
    /** Benefits are added as whole billionths: sums of floats depend on their order, and a tie would then fall by side. */
    private const UNIT = 1e9;

    private const NEVER = PHP_INT_MIN;

    /** @var array<string, true> muscle and side of every target */
    private array $keys = [];

    public function __construct(private readonly PlanFigures $figures, private readonly School $school, private readonly TimeBudget $clock)
    {
    }

    /**
     * @param  list<Target>  $targets
     * @param  int  $given  quarter minutes that are spoken for
     */
    public function solve(array $targets, int $given): Solution
    {
        $this->keys = array_fill_keys(array_map(static fn (Target $target): string => $target->key, $targets), true);
        $weights = array_sum(array_map(static fn (Target $target): float => $target->weight, $targets));
        $best = new Solution([], [], 0);
        $bestWanted = 0;
        $bestRank = PHP_INT_MAX;
        foreach ($this->tries($targets, $weights) as [$wanted, $bound, $rank, $families, $assigned, $penalty]) {
            // the most promising are tried first: what cannot be better any more is not tried, and of two that are alike the first named
            // stays
            if ($wanted < $bestWanted) {
                break;
            }
            if ($wanted === $bestWanted && ! $this->isBetter($bound, $rank, $best->benefit, $bestRank)) {
                continue;
            }
            $chosen = $this->knapsack($assigned, $this->clock->forWork($families) - $given);
            $used = array_fill_keys(array_map(static fn (Chosen $one): string => $one->option->family, $chosen), true);
            $benefit = array_sum(array_map(
                static fn (Chosen $one): float => $one->target->benefit($one->minutes()), $chosen,
            )) - $penalty;
            $wantedIn = count(array_filter($chosen, static fn (Chosen $one): bool => $one->target->isWanted()));
            if (
                count($used) === count($families) && $wantedIn >= $bestWanted
                    && ($wantedIn > $bestWanted || $this->isBetter($benefit, $rank, $best->benefit, $bestRank))
            ) {
                [$best, $bestWanted, $bestRank] = [
                    new Solution($families, $chosen, $benefit, $this->clock->turns($families)), $wantedIn, $rank,
                ];
            }
        }

        return $best;
    }

    private function isBetter(float $benefit, int $rank, float $than, int $thanRank): bool
    {
        return $benefit > $than + 1e-12 || ($benefit > $than - 1e-12 && $rank < $thanRank && $benefit > 0);
    }

    /**
     * @param  list<Target>  $targets
     * @return list<array{int, float, int, non-empty-list<string>, non-empty-list<array{Target, Option}>, float}> wanted targets in it, what
     *         it can be worth at most, its rank among all, positions, targets with their ways, what the turns cost; the best first
     */
    private function tries(array $targets, float $weights): array
    {
        $tries = $seen = [];
        foreach ($this->orders($targets) as $families) {
            $penalty = $this->figures->turnCost * $weights * $this->clock->turns($families);
            foreach ([false, true] as $byLength) {
                $assigned = $this->assign($targets, $families, $byLength);
                $signature = count($families).'|'.implode(
                    ',', array_map(static fn (array $pair): string => $pair[0]->key.'@'.$pair[1]->family, $assigned),
                );
                if ($assigned === [] || isset($seen[$signature])) {
                    continue;
                }
                $seen[$signature] = true;
                $bound = array_sum(array_map(
                    static fn (array $pair): float => $pair[0]->benefit($pair[1]->longest()->minutes()), $assigned,
                )) - $penalty;
                $wanted = count(array_filter($assigned, static fn (array $pair): bool => $pair[0]->isWanted()));
                $tries[] = [$wanted, $bound, count($tries), $families, $assigned, $penalty];
            }
        }
        usort($tries, static fn (array $a, array $b): int => [$b[0], $b[1], $a[2]] <=> [$a[0], $a[1], $b[2]]);

        return $tries;
    }

    /**
     * @param  list<Target>  $targets
     * @return list<non-empty-list<string>> position families in the order of a visit, shortest first
     */
    private function orders(array $targets): array
    {
        $families = [];
        foreach ($targets as $target) {
            foreach ($target->options as $family => $option) {
                $families[$family] = min($families[$family] ?? 99, $option->preference);
            }
        }
        asort($families);
        $names = array_keys($families);
        $orders = [];
        foreach ($names as $first) {
            $orders[] = [$first];
        }
        foreach ($names as $first) {
            foreach ($names as $second) {
                if ($first !== $second) {
                    $orders[] = [$first, $second];
                }
            }
        }
        foreach ($names as $first) {
            foreach ($names as $second) {
                foreach ($names as $third) {
                    if ($first !== $second && $second !== $third && $first !== $third) {
                        $orders[] = [$first, $second, $third];
                    }
                }
            }
        }

        return $orders;
    }

    /**
     * Each target in the family it prefers of those used, or in which most can be done, no site before a source where the school says
     * source first.
     *
     * @param  list<Target>  $targets
     * @param  non-empty-list<string>  $families
     * @return list<array{Target, Option}>
     */
    private function assign(array $targets, array $families, bool $byLength): array
    {
        $rank = array_flip($families);
        $sourceFirst = $this->school->is('order', 'source_first');
        $earliest = 0;
        $assigned = [];
        foreach ([true, false] as $leading) {
            foreach ($targets as $target) {
                if ($target->leads($sourceFirst) !== $leading) {
                    continue;
                }
                $from = $target->follows($sourceFirst) ? $earliest : 0;
                $options = array_filter(
                    $target->options, static fn (Option $option): bool => isset($rank[$option->family]) && $rank[$option->family] >= $from,
                );
                if ($options === []) {
                    continue;
                }
                usort(
                    $options,
                    static fn (Option $a, Option $b): int => [$byLength ? -$a->longest()->minutes() : 0, $a->preference, $rank[$a->family]]
                        <=> [$byLength ? -$b->longest()->minutes() : 0, $b->preference, $rank[$b->family]],
                );
                $assigned[] = [$target, $options[0]];
                if ($leading) {
                    $earliest = max($earliest, $rank[$options[0]->family]);
                }
            }
        }

        return $assigned;
    }

    /**
     * @param  list<array{Target, Option}>  $assigned
     * @return list<Chosen>
     */
    private function knapsack(array $assigned, int $budget): array
    {
        if ($budget <= 0) {
            return [];
        }
        $groups = [];
        foreach ($assigned as $pair) {
            $groups[$pair[1]->family.'|'.$pair[0]->region][] = $pair;
        }
        $groups = array_values($groups);
        $outside = array_fill(0, $budget + 1, 0);
        $layers = [];
        foreach ($groups as $index => $group) {
            $inside = array_fill(0, $budget + 1, self::NEVER);
            $region = $this->regionOf($group);
            for ($t = $region; $t <= $budget; $t++) {
                $inside[$t] = $outside[$t - $region];
            }
            $steps = [];
            foreach ($group as [$target, $option]) {
                [$inside, $taken] = $this->addTarget($inside, $target, $option, $budget);
                $steps[] = $taken;
            }
            $open = [];
            foreach ($inside as $t => $value) {
                if ($value > $outside[$t]) {
                    $outside[$t] = $value;
                    $open[$t] = true;
                }
            }
            $layers[$index] = ['steps' => $steps, 'open' => $open];
        }

        return $this->trace($groups, $layers, $budget);
    }

    /** @param  list<array{Target, Option}>  $group */
    private function regionOf(array $group): int
    {
        return $this->clock->region(array_merge([], ...array_map(static fn (array $pair): array => $pair[1]->places, $group)));
    }

    /**
     * @param  array<int, int>  $inside
     * @return array{array<int, int>, array<int, array{Composition, int}>} values, and at each time the composition taken and its cost
     */
    private function addTarget(array $inside, Target $target, Option $option, int $budget): array
    {
        $taken = [];
        $next = $inside;
        foreach ($option->compositions as $composition) {
            $cost = $this->clock->cost($option, $composition, $this->otherSideToo($target));
            // what is wanted outweighs every benefit, so that it is kept whenever it fits; a lock outweighs soothing
            $gain = (int) round(
                self::UNIT * (
                    $target->benefit($composition->minutes()) + ($target->locked ? 1000 : 0) + ($target->soothes ? 100 : 0) + (
                        $target->isMeant ? 10 : 0
                    )
                ),
            );
            for ($t = $budget; $t >= $cost; $t--) {
                $value = $inside[$t - $cost] === self::NEVER ? self::NEVER : $inside[$t - $cost] + $gain;
                if ($value > $next[$t]) {
                    $next[$t] = $value;
                    $taken[$t] = [$composition, $cost];
                }
            }
        }

        return [$next, $taken];
    }

    public function otherSideToo(Target $target): bool
    {
        return ! isset($this->keys[$target->mirroredKey()]);
    }

    /**
     * @param  list<list<array{Target, Option}>>  $groups
     * @param  array<int, array{steps: list<array<int, array{Composition, int}>>, open: array<int, true>}>  $layers
     * @return list<Chosen>
     */
    private function trace(array $groups, array $layers, int $budget): array
    {
        $chosen = [];
        $t = $budget;
        for ($index = count($groups) - 1; $index >= 0; $index--) {
            if (! isset($layers[$index]['open'][$t])) {
                continue;
            }
            for ($step = count($groups[$index]) - 1; $step >= 0; $step--) {
                $taken = $layers[$index]['steps'][$step][$t] ?? null;
                if ($taken !== null) {
                    [$target, $option] = $groups[$index][$step];
                    $chosen[] = new Chosen(
                        $target, $option, $taken[0],
                        $this->otherSideToo($target) ? $option->otherSide[$taken[0]->size->value] ?? null : null,
                    );
                    $t -= $taken[1];
                }
            }
            $t -= $this->regionOf($groups[$index]);
        }

        return array_reverse($chosen);
    }
}
