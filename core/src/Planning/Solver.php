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

    /** @var \WeakMap<Composition, array{int, int, float}> quarter minutes it costs alone and with the other side, and what it is worth */
    private \WeakMap $known;

    public function __construct(private readonly PlanFigures $figures, private readonly School $school, private readonly TimeBudget $clock)
    {
        $this->known = new \WeakMap;
    }

    /** @return array{int, int, float} */
    private function known(Target $target, Option $option, Composition $composition): array
    {
        return $this->known[$composition] ??= [
            $this->clock->cost($option, $composition, false), $this->clock->cost($option, $composition, true),
            $target->benefit($composition->minutes()),
        ];
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
            if (
                $wanted === 0 && ! $this->isBetter(
                    $this->atMost($assigned, $this->clock->forWork($families) - $given) - $penalty, $rank, $best->benefit, $bestRank,
                )
            ) {
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
        $time = $this->clock->forWork($best->families) - $given;
        do {
            $before = $best;
            foreach ($ways as $index => [$target, $option]) {
                foreach ($target->options as $other) {
                    if ($other === $option || ! isset($rank[$other->family]) || ! $this->mayHelp($target, $option, $other, $ways)) {
                        continue;
                    }
                    $try = array_values(array_replace($ways, [$index => [$target, $other]]));
                    $found = $this->keepsOrder($try, $rank) && $this->atMost($try, $time) - $penalty > $best->benefit
                        ? $this->filled($best->families, $try, $penalty, $given)
                        : null;
                    if ($found !== null && $found->benefit > $best->benefit + 1e-9 && self::wanted($found) >= self::wanted($best)) {
                        [$best, $ways, $option] = [$found, $try, $other];
                    }
                }
            }
        } while ($best !== $before);

        return $best;
    }

    /**
     * More than this it cannot be worth in the time: as if every target could be worked by the quarter minute, in whatever order pays best,
     * and one region were opened for all.
     *
     * @param  list<array{Target, Option}>  $assigned
     */
    private function atMost(array $assigned, int $time): float
    {
        $parts = [];
        $region = PHP_INT_MAX;
        foreach ($assigned as [$target, $option]) {
            $region = min($region, $this->clock->region($option->places));
            $parts[] = $this->gains($target, $option);
        }
        $parts = array_merge(...$parts);
        usort($parts, static fn (array $a, array $b): int => $b[2] <=> $a[2]);
        $left = $time - $region;
        $worth = 0.0;
        foreach ($parts as [$cost, $gain]) {
            if ($cost >= $left) {
                return $worth + ($left > 0 ? $gain * $left / $cost : 0.0);
            }
            $left -= $cost;
            $worth += $gain;
        }

        return $worth;
    }

    /**
     * What each longer composition costs and brings more than the one before; what pays better later is taken together with what came
     * before it, so that the first always pays best.
     *
     * @return list<array{int, float, float}> quarter minutes, worth, worth a quarter minute
     */
    private function gains(Target $target, Option $option): array
    {
        $both = $this->otherSideToo($target) ? 1 : 0;
        $gains = [];
        [$cost, $worth] = [0, 0.0];
        foreach ($option->compositions as $composition) {
            $known = $this->known($target, $option, $composition);
            $step = [$known[$both] - $cost, $known[2] - $worth];
            [$cost, $worth] = [$known[$both], $known[2]];
            while ($gains !== [] && $gains[count($gains) - 1][1] * $step[0] < $step[1] * $gains[count($gains) - 1][0]) {
                $last = array_pop($gains);
                $step = [$step[0] + $last[0], $step[1] + $last[1]];
            }
            $gains[] = [$step[0], $step[1], $step[1] / max(1, $step[0])];
        }

        return $gains;
    }

    /**
     * A move may help where more can be done there, or the same for less, or where the region is opened for others and here for it alone.
     *
     * @param  list<array{Target, Option}>  $ways
     */
    private function mayHelp(Target $target, Option $from, Option $to, array $ways): bool
    {
        $both = $this->otherSideToo($target) ? 1 : 0;
        foreach ($to->compositions as $size => $there) {
            $here = $from->compositions[$size] ?? null;
            $cost = $this->known($target, $to, $there);
            $now = $here === null ? null : $this->known($target, $from, $here);
            if ($now === null || $cost[2] > $now[2] + 1e-9 || $cost[$both] < $now[$both]) {
                return true;
            }
        }
        $company = ['here' => 0, 'there' => 0];
        foreach ($ways as [$one, $option]) {
            if ($one !== $target && $one->region === $target->region) {
                $company['here'] += $option->family === $from->family ? 1 : 0;
                $company['there'] += $option->family === $to->family ? 1 : 0;
            }
        }

        return $company['there'] > 0 && $company['here'] === 0;
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

        return count($used) === count($families)
            ? Solution::of($families, $chosen, $penalty, $this->clock->turns($families))
            : null;
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
        $rows = $this->rows($targets);
        foreach ($this->orders($targets) as $families) {
            $penalty = $this->figures->turnCost * $weights * $this->clock->turns($families);
            foreach (self::WAYS as $way) {
                [$assigned, $signature, $worth, $wanted] = $this->assign($rows, $families, $way);
                $signature = count($families).'|'.$signature;
                if ($assigned === [] || isset($seen[$signature])) {
                    continue;
                }
                $seen[$signature] = true;
                $tries[] = [$wanted, $worth - $penalty, count($tries), $families, $assigned, $penalty];
            }
        }
        usort($tries, static fn (array $a, array $b): int => [$b[0], $b[1], $a[2]] <=> [$a[0], $a[1], $b[2]]);

        return $tries;
    }

    /**
     * What is asked of each target again and again, those that lead first.
     *
     * @param  list<Target>  $targets
     * @return list<array{Target, bool, bool, int, array<string, array{Option, int, float, float}>}> whether it leads, whether it follows,
     *         whether it is wanted; by family its option with its preference, its longest minutes and what they are worth
     */
    private function rows(array $targets): array
    {
        $sourceFirst = $this->school->is('order', 'source_first');
        $rows = [[], []];
        foreach ($targets as $target) {
            $options = [];
            foreach ($target->options as $option) {
                $longest = $option->longest();
                $options[$option->family] = [
                    $option, $option->preference, $longest->minutes(), $this->known($target, $option, $longest)[2],
                ];
            }
            $leads = $target->leads($sourceFirst);
            $rows[$leads ? 0 : 1][] = [$target, $leads, $target->follows($sourceFirst), $target->isWanted() ? 1 : 0, $options];
        }

        return [...$rows[0], ...$rows[1]];
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
     * @param  list<array{Target, bool, bool, int, array<string, array{Option, int, float, float}>}>  $rows
     * @param  non-empty-list<string>  $families
     * @param  value-of<self::WAYS>  $way
     * @return array{list<array{Target, Option}>, string, float, int} with its name, what it can be worth at most, how many are wanted
     */
    private function assign(array $rows, array $families, string $way): array
    {
        $gathered = $way === 'together' ? $this->gathered($rows, $families) : [];
        $earliest = 0;
        $assigned = [];
        $signature = '';
        [$worth, $wanted] = [0.0, 0];
        foreach ($rows as $number => [$target, $leads, $follows, $isWanted, $options]) {
            $best = null;
            [$least, $like, $in] = [0.0, 0, 0];
            foreach ($families as $place => $family) {
                if (! isset($options[$family]) || ($follows && $place < $earliest)) {
                    continue;
                }
                [, $preference, $minutes] = $options[$family];
                $first = match ($way) {
                    'longest' => -$minutes,
                    'together' => $family === $gathered[$target->region] ? 0.0 : 1.0,
                    default => 0.0,
                };
                if ($best === null || $first < $least || ($first === $least && $preference < $like)) {
                    [$best, $least, $like, $in] = [$family, $first, $preference, $place];
                }
            }
            if ($best === null) {
                continue;
            }
            $assigned[] = [$target, $options[$best][0]];
            $signature .= $number.'@'.$best.',';
            $worth += $options[$best][3];
            $wanted += $isWanted;
            if ($leads) {
                $earliest = max($earliest, $in);
            }
        }

        return [$assigned, $signature, $worth, $wanted];
    }

    /**
     * For each region the family in which all of it together is worth most.
     *
     * @param  list<array{Target, bool, bool, int, array<string, array{Option, int, float, float}>}>  $rows
     * @param  list<string>  $families
     * @return array<string, string>
     */
    private function gathered(array $rows, array $families): array
    {
        $worth = [];
        foreach ($rows as [$target, , , , $options]) {
            foreach ($families as $family) {
                if (isset($options[$family])) {
                    $worth[$target->region][$family] = ($worth[$target->region][$family] ?? 0.0) + $options[$family][3];
                }
            }
        }

        return array_map(static function (array $by): string {
            $rounded = array_map(static fn (float $one): float => round($one, 6), $by);

            return (string) array_search(max($rounded), $rounded, true);
        }, $worth);
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
                [$inside, $taken] = $this->addTarget($inside, $region, $target, $option, $budget);
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
     * @param  int  $from  quarter minutes before which nothing is inside
     * @return array{array<int, int>, array<int, string>} values, and at each time the size taken
     */
    private function addTarget(array $inside, int $from, Target $target, Option $option, int $budget): array
    {
        $taken = [];
        $next = $inside;
        $both = $this->otherSideToo($target) ? 1 : 0;
        // what is wanted outweighs every benefit, so that it is kept whenever it fits; a lock outweighs soothing
        $wanted = ($target->locked ? 1000 : 0) + ($target->soothes ? 100 : 0) + ($target->isMeant ? 10 : 0);
        foreach ($option->compositions as $size => $composition) {
            $known = $this->known($target, $option, $composition);
            $cost = $known[$both];
            $gain = (int) round(self::UNIT * ($known[2] + $wanted));
            for ($t = $from + $cost, $before = $from; $t <= $budget; $t++, $before++) {
                $value = $inside[$before] + $gain;
                if ($value > $next[$t]) {
                    $next[$t] = $value;
                    $taken[$t] = $size;
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
     * @param  array<int, array{steps: list<array<int, string>>, open: array<int, true>}>  $layers
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
                $size = $layers[$index]['steps'][$step][$t] ?? null;
                if ($size !== null) {
                    [$target, $option] = $groups[$index][$step];
                    $both = $this->otherSideToo($target);
                    $chosen[] = new Chosen(
                        $target, $option, $option->compositions[$size], $both ? $option->otherSide[$size] ?? null : null,
                    );
                    $t -= $this->known($target, $option, $option->compositions[$size])[$both ? 1 : 0];
                }
            }
            $t -= $this->regionOf($groups[$index]);
        }

        return array_reverse($chosen);
    }
}
