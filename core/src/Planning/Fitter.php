<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Handwork\Reason;
use Somatrace\Core\Handwork\ReasonKind;

/** The choice of the solver within the totals of regions and hands, which it does not know. */
final readonly class Fitter
{
    public function __construct(private Solver $solver, private Totals $totals, private TimeBudget $clock)
    {
    }

    /**
     * Where a total cuts in, what a shorter visit would do is looked at too: more time is never worth less.
     *
     * @param  list<Target>  $targets
     * @param  int  $given  quarter minutes that are spoken for
     */
    public function fit(array $targets, int $given): Fitted
    {
        $best = $this->shrunk($targets, $given);
        $quarter = 15 * TimeBudget::PER_MINUTE;
        for ($less = $quarter; $best->targets !== $targets && $less < $this->clock->budget; $less += $quarter) {
            $shorter = $this->shrunk($targets, $given + $less);
            $best = $shorter->solution->benefit > $best->solution->benefit + 1e-12
                ? new Fitted($shorter->solution, $shorter->targets, $shorter->leftOut, $best->costly)
                : $best;
        }

        return $best;
    }

    /**
     * Where a region would have more than its total, solved again with less of the target of it that costs least benefit.
     *
     * @param  list<Target>  $targets
     */
    private function shrunk(array $targets, int $given): Fitted
    {
        $left = $costly = [];
        $solution = $this->solved($targets, $given);
        while (($over = $this->totals->over($solution, $targets)) !== null) {
            [$region, $why, $part] = $over;
            array_push($costly, ...array_filter([$part]));
            $best = null;
            foreach ($region as $target) {
                $less = $this->totals->less($targets, $target, $solution);
                $try = $this->solved($less, $given);
                if ($best === null || $try->benefit > $best[0]->benefit + 1e-12) {
                    $best = [
                        $try, $less,
                        count($less) < count($targets) ? [LeftOut::target($target, Reason::of(ReasonKind::Minutes, $why))] : [],
                    ];
                }
            }
            [$solution, $targets, $spent] = $best;
            array_push($left, ...$spent);
        }

        return new Fitted($solution, $targets, $left, array_values(array_unique($costly)));
    }

    /**
     * What was found is worked wherever there is time for it, though a turn may cost more than it is worth: not at the cost of anything
     * else.
     *
     * @param  list<Target>  $targets
     */
    private function solved(array $targets, int $given): Solution
    {
        $plain = $this->solver->solve($targets, $given);
        $found = array_map(static fn (Target $one): Target => $one->isFound() ? $one->meant() : $one, $targets);
        $left = array_filter($targets, static fn (Target $one): bool => $one->isFound() && ! $plain->has($one->key));
        if ($left === []) {
            return $plain;
        }
        $all = $this->solver->solve($found, $given);

        return $all->worth() >= $plain->worth() - 1e-12 ? $all : $plain;
    }
}
