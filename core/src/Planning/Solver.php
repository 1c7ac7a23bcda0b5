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

    /** Where a target lies, of the positions that are taken: where it likes best, where most can be done, or with its region. */
    private const WAYS = ['preferred', 'longest', 'together'];

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
        $ways = [];
        foreach ($this->tries($targets, $weights) as [$wanted, $bound, $rank, $families, $assigned, $penalty]) {
            // the most promising are tried first: what cannot be better any more is not tried, and of two that are alike the first named
            // stays
            if ($wanted < $bestWanted) {
                break;
            }
            if ($wanted === $bestWanted && ! $this->isBetter($bound, $rank, $best->benefit, $bestRank)) {
                continue;
            }
            $found = $this->filled($families, $assigned, $penalty, $given);
            $wantedIn = $found === null ? 0 : self::wanted($found);
            if (
                $found !== null && $wantedIn >= $bestWanted
                    && ($wantedIn > $bestWanted || $this->isBetter($found->benefit, $rank, $best->benefit, $bestRank))
            ) {
                [$best, $bestWanted, $bestRank, $ways] = [$found, $wantedIn, $rank, $assigned];
            }
        }

        return $this->moved($best, $ways, $given);
    }

    /**
     * With one target after the other in another of the positions that are taken anyway, as long as that is worth more: where two share a
     * warm-up, one may better lie where it would not by itself.
     *
     * @param  list<array{Target, Option}>  $ways
     */
    private function moved(Solution $best, array $ways, int $given): Solution
    {
        $penalty = $best->worth() - $best->benefit;
        $rank = array_flip($best->families);
        do {
            $before = $best;
            foreach ($ways as $index => [$target, $option]) {
                foreach ($target->options as $other) {
                    if ($other === $option || ! isset($rank[$other->family])) {
                        continue;
                    }
                    $try = array_values(array_replace($ways, [$index => [$target, $other]]));
                    $found = $this->keepsOrder($try, $rank) ? $this->filled($best->families, $try, $penalty, $given) : null;
                    if ($found !== null && $found->benefit > $best->benefit + 1e-9 && self::wanted($found) >= self::wanted($best)) {
                        [$best, $ways, $option] = [$found, $try, $other];
                    }
                }
            }
        } while ($best !== $before);

        return $best;
    }

    /**
     * No site lies before a source where the school says source first.
     *
     * @param  list<array{Target, Option}>  $ways
     * @param  array<string, int>  $rank  of a family in the visit
     */
    private function keepsOrder(array $ways, array $rank): bool
    {
        $sourceFirst = $this->school->is('order', 'source_first');
        $latest = 0;
        foreach ($ways as [$target, $option]) {
            $latest = $target->leads($sourceFirst) ? max($latest, $rank[$option->family]) : $latest;
        }
        foreach ($ways as [$target, $option]) {
            if ($target->follows($sourceFirst) && $rank[$option->family] < $latest) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<string>  $families
     * @param  list<array{Target, Option}>  $assigned
     * @return Solution|null null where one of the positions has nothing to do
     */
    private function filled(array $families, array $assigned, float $penalty, int $given): ?Solution
    {
        $chosen = $this->knapsack($assigned, $this->clock->forWork($families) - $given);
        $used = array_fill_keys(array_map(static fn (Chosen $one): string => $one->option->family, $chosen), true);
        if (count($used) !== count($families)) {
            return null;
        }
        $worth = array_sum(array_map(static fn (Chosen $one): float => $one->target->benefit($one->minutes()), $chosen));

        return new Solution($families, $chosen, $worth - $penalty, $this->clock->turns($families));
    }

    private static function wanted(Solution $solution): int
    {
        return count(array_filter($solution->chosen, static fn (Chosen $one): bool => $one->target->isWanted()));
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
            foreach (self::WAYS as $way) {
                $assigned = $this->assign($targets, $families, $way);
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
     * Each target in one of the families used, no site before a source where the school says source first.
     *
     * @param  list<Target>  $targets
     * @param  non-empty-list<string>  $families
     * @param  value-of<self::WAYS>  $way
     * @return list<array{Target, Option}>
     */
    private function assign(array $targets, array $families, string $way): array
    {
        $rank = array_flip($families);
        $sourceFirst = $this->school->is('order', 'source_first');
        $gathered = $way === 'together' ? $this->gathered($targets, $rank) : [];
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
                $order = static fn (Option $option): array => [
                    match ($way) {
                        'longest' => -$option->longest()->minutes(),
                        'together' => $option->family === $gathered[$target->region] ? 0 : 1,
                        default => 0,
                    },
                    $option->preference, $rank[$option->family],
                ];
                usort($options, static fn (Option $a, Option $b): int => $order($a) <=> $order($b));
                $assigned[] = [$target, $options[0]];
                if ($leading) {
                    $earliest = max($earliest, $rank[$options[0]->family]);
                }
            }
        }

        return $assigned;
    }

    /**
     * For each region the family in which all of it together is worth most.
     *
     * @param  list<Target>  $targets
     * @param  array<string, int>  $rank
     * @return array<string, string>
     */
    private function gathered(array $targets, array $rank): array
    {
        $worth = [];
        foreach ($targets as $target) {
            foreach ($target->options as $option) {
                if (isset($rank[$option->family])) {
                    $worth[$target->region][$option->family] = ($worth[$target->region][$option->family] ?? 0.0)
                        + round($target->benefit($option->longest()->minutes()), 9);
                }
            }
        }

        return array_map(static fn (array $by): string => (string) array_search(max($by), $by, true), $worth);
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
