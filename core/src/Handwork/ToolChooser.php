<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\CaseFile\Therapist;
use Somatrace\Core\Units\ContactArea;

/** The tool that costs the therapist least and still gives the precision and force the target needs. */
final readonly class ToolChooser
{
    public function __construct(
        private Atlas $atlas,
        private PlanFigures $figures,
        private Therapist $therapist,
        private bool $thumbs = true,
    ) {
    }

    /**
     * @param  callable(Tool): Ceiling  $ceilingWith  how strong it may feel with that tool; 0 where the tool is forbidden
     * @param  string|null  $meant  the tool a routine means, taken where it can be
     * @return array{Tool, Ceiling}|null
     */
    public function choose(
        Muscle $muscle, string $site, Technique $technique, PressureScale $scale, callable $ceilingWith, ?string $meant = null,
    ): ?array {
        $best = null;
        foreach ($this->usable($meant === null ? $muscle->toolsAt($site) : [$meant, ...$muscle->toolsAt($site)], $technique) as $tool) {
            $ceiling = $ceilingWith($tool);
            if ($ceiling->felt < 1 || ! $this->bearable($tool, $scale, $ceiling)) {
                continue;
            }
            // a place that is met counts before the reach in pressure, and both before the therapist's ease
            $cost = [$tool->id !== $meant, $this->tooBroad($muscle, $technique, $tool), -floor($ceiling->felt), $tool->strain, $tool->id];
            if ($best === null || $cost < $best[0]) {
                $best = [$cost, $tool, $ceiling];
            }
        }

        return $best === null ? null : [$best[1], $best[2]];
    }

    /** Owned, not spared, and with minutes left. */
    public function has(string $id): bool
    {
        return ($this->therapist->tools === [] || in_array($id, $this->therapist->tools, true))
            && ! in_array($id, $this->therapist->injured, true) && ! $this->spent($this->atlas->tool($id));
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
        $own = $technique->tools === [] ? $suited : array_values(array_intersect($suited, $technique->tools));
        $ids = $own === [] ? $technique->tools : $own;
        $tools = [];
        foreach ($ids as $id) {
            if ($this->has($id)) {
                $tools[] = $this->atlas->tool($id);
            }
        }

        return $tools;
    }

    /**
     * More for the thumbs than a visit may cost, or than is left of the day.
     *
     * @param  array<string, float>  $load  minutes at pressure 5 or more, by tool
     */
    public function isOverThumbs(array $load): bool
    {
        $minutes = self::thumbMinutes($load);
        $visit = $this->therapist->budgets['thumb']['visit'] ?? $this->figures->thumbVisitMinutes;

        return $minutes > $visit + 1e-9 || ($minutes > 0 && $minutes > $this->thumbMinutesLeft() + 1e-9);
    }

    /** The day's thumb minutes are used up, or this plan is made without them. */
    private function spent(Tool $tool): bool
    {
        return $tool->isThumb && (! $this->thumbs || $this->thumbMinutesLeft() <= 0);
    }

    /** Below nought when the day was longer than its budget. */
    private function thumbMinutesLeft(): float
    {
        return ($this->therapist->budgets['thumb']['day'] ?? $this->figures->thumbDayMinutes)
            - self::thumbMinutes($this->therapist->loadToday);
    }

    /** @param  array<string, int|float>  $load  minutes by tool */
    private static function thumbMinutes(array $load): int|float
    {
        return ($load['thumb'] ?? 0) + ($load['thumb_reinforced'] ?? 0);
    }

    private function bearable(Tool $tool, PressureScale $scale, Ceiling $ceiling): bool
    {
        $force = $scale->tissue($ceiling->felt)->over(ContactArea::ofCm2($tool->effectiveAreaCm2));

        return $force->leanPercent($this->mass()) <= $this->figures->leanLimitPercent;
    }

    private function tooBroad(Muscle $muscle, Technique $technique, Tool $tool): int
    {
        $fine = $technique->fine || $muscle->tissue === Tissue::Delicate || $muscle->layer >= 3;
        $allowed = $fine ? $this->figures->finePrecision : $this->figures->broadPrecision;

        return max(0, $tool->precision - $allowed);
    }
}
