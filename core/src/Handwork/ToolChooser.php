<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\CaseFile\Therapist;

/** The tool that costs the therapist least and still gives the precision and force the target needs. */
final readonly class ToolChooser
{
    /** @param  list<string>  $spared  parts of the hand that are not used firmly in this plan */
    public function __construct(
        private Atlas $atlas,
        private PlanFigures $figures,
        private Therapist $therapist,
        private HandBudgets $budgets,
        private OwnTools $own,
        private array $spared = [],
    ) {
    }

    /**
     * @param  float  $most  how strong it may feel with whatever tool
     * @param  callable(Tool): ?Ceiling  $ceilingWith  how strong it may feel with that one; null where it is forbidden
     * @param  string|null  $meant  the tool a routine means, taken where it can be
     * @return array{Tool, Ceiling}|null
     */
    public function choose(
        Muscle $muscle, string $site, Technique $technique, PressureScale $scale, float $most, callable $ceilingWith, ?string $meant = null,
    ): ?array {
        $tools = [];
        foreach ($this->usable($meant === null ? $muscle->toolsAt($site) : [$meant, ...$muscle->toolsAt($site)], $technique) as $tool) {
            // a place that is met counts before the reach in pressure, and both before the therapist's ease
            $fit = [$tool->id !== $meant, $this->tooBroad($muscle, $technique, $tool)];
            $ease = $technique->pressure === null ? [array_search($tool->id, $technique->tools, true)] : [$tool->strain, $tool->id];
            $tools[] = [$fit, $ease, $tool];
        }
        usort($tools, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        // none reaches farther than is allowed, and what presses nothing need not reach
        $enough = $technique->pressure === null ? 0.0 : floor($most);
        $best = $bestFit = null;
        foreach ($tools as [$fit, , $tool]) {
            if ($best !== null && ($fit > $bestFit || floor($best[1]->felt) >= $enough)) {
                break; // none of those left fits as well, or does more with less
            }
            $ceiling = $ceilingWith($tool);
            $spared = $this->spared($tool);
            $ceiling = $spared === null ? $ceiling : $ceiling?->and($spared);
            if ($ceiling === null || $ceiling->felt < 1 || ! $this->bearable($tool, $scale, $ceiling)) {
                continue;
            }
            if ($best === null || floor($ceiling->felt) > floor($best[1]->felt)) {
                [$best, $bestFit] = [[$tool, $ceiling], $fit];
            }
        }

        return $best;
    }

    /** Owned, and not to be spared; who said nothing owns their hands. */
    public function has(string $id): bool
    {
        $owned = $this->therapist->tools === [] ? ! $this->atlas->tool($id)->isAid : in_array($id, $this->therapist->tools, true);

        return $owned && ! in_array($id, $this->therapist->injured, true);
    }

    /** The tool as these hands press with it. */
    public function own(string $id): Tool
    {
        return $this->own->of($id);
    }

    public function mass(): float
    {
        return $this->therapist->massKg ?? $this->figures->defaultMassKg;
    }

    /**
     * @param  list<string>  $suited  tools that suit the place
     * @return list<Tool>
     */
    private function usable(array $suited, Technique $technique): array
    {
        // a broad stroke goes over more than the muscle, and what presses nothing holds a limb: their tools are their own
        $own = $technique->tools === [] ? $suited : array_values(array_intersect($suited, $technique->tools));
        $ids = $own === [] || $technique->broad || $technique->pressure === null ? $technique->tools : $own;
        $tools = [];
        foreach ($ids as $id) {
            if ($this->has($id)) {
                $tools[] = $this->own->of($id);
            }
        }

        return $tools;
    }

    /** What its part of the hand has left, or this plan spares it: nothing firm with it. */
    private function spared(Tool $tool): ?Cap
    {
        return in_array($tool->costs, $this->spared, true) || $this->budgets->isSpent($tool) ? $this->budgets->capOn($tool) : null;
    }

    private function bearable(Tool $tool, PressureScale $scale, Ceiling $ceiling): bool
    {
        $force = $tool->force($scale->tissue($ceiling->felt));

        return $force->leanPercent($this->mass()) <= $this->figures->leanLimitPercent;
    }

    private function tooBroad(Muscle $muscle, Technique $technique, Tool $tool): int
    {
        if ($technique->broad) {
            return 0;
        }
        $fine = $technique->fine || $muscle->tissue === Tissue::Delicate || $muscle->layer >= 3;
        $allowed = $fine ? $this->figures->finePrecision : $this->figures->broadPrecision;

        return max(0, $tool->precision - $allowed);
    }
}
