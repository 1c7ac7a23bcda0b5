<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\CaseFile\Session;

/** The fixed costs of a visit in whole quarter minutes, and what a target costs besides its own minutes. */
final readonly class TimeBudget
{
    public const PER_MINUTE = 4;

    public int $settle;

    public int $aftercare;

    public int $finish;

    public int $warmUp;

    public int $recheck;

    public int $turn;

    public int $rest;

    public int $shift;

    public function __construct(private PlanFigures $figures, private School $school, public int $budget)
    {
        $share = $budget < $figures->shortVisitMinutes * self::PER_MINUTE ? $figures->shortShare : 1.0;
        $quarters = static fn (float $minutes, float $share = 1.0): int => (int) round($share * $minutes * self::PER_MINUTE);
        $this->settle = $quarters($figures->settleMinutes, $share);
        $this->aftercare = $quarters($figures->aftercareMinutes, $share);
        $this->finish = $quarters($figures->finishMinutes);
        $this->warmUp = $quarters($figures->warmUpMinutes);
        $this->recheck = $quarters($figures->recheckMinutes);
        $this->turn = $quarters($figures->turnMinutes);
        $this->rest = $quarters($figures->restMinutes);
        $this->shift = $quarters($figures->shiftMinutes);
    }

    public static function of(Session $session, PlanFigures $figures, School $school, ?float $mostMinutes): self
    {
        $minutes = min($session->minutes ?? $figures->defaultMinutes, $mostMinutes ?? PHP_INT_MAX);

        return new self($figures, $school, (int) floor($minutes * self::PER_MINUTE));
    }

    /** What is left for warm-ups and treatment when the visit uses so many position families. */
    public function forWork(int $families, int $offers): int
    {
        $fixed = $this->settle + $this->aftercare + $this->finish + $this->turn * ($families - 1) + $this->recheck * $families;

        return $this->budget - $fixed - $offers * (int) ($this->figures->offerMinutes * self::PER_MINUTE);
    }

    /** Quarter minutes a target takes in all: its own, the rest stroke after it, the other side, the shift of position. */
    public function cost(Target $target, Option $option, int $minutes, bool $otherSideToo): int
    {
        return $minutes * self::PER_MINUTE + $this->restAfter($option, $minutes) + $this->otherSide(
            $minutes, $otherSideToo && $option->otherSideReachable,
        )
            + ($option->position === $option->family ? 0 : 2 * $this->shift) + array_sum($this->hygiene($option));
    }

    /** @return array<string, int> quarter minutes of what is washed and worn for a way of working: before it, and after */
    public function hygiene(Option $option): array
    {
        $gloved = in_array($option->technique, $this->figures->glovedTechniques, true);

        return $gloved
            ? array_map(fn (float $minutes): int => (int) round($minutes * self::PER_MINUTE), $this->figures->hygieneMinutes)
            : [];
    }

    /** A rest stroke after every long step, and after any that goes deep: three minutes of deep work never pass without one. */
    public function restAfter(Option $option, int $minutes): int
    {
        return $option->ceiling->felt >= $this->figures->deepFrom || $minutes >= $this->figures->restFromMinutes ? $this->rest : 0;
    }

    public function otherSide(int $minutes, bool $wanted): int
    {
        return match (true) {
            ! $wanted => 0,
            $this->school->is('both_sides', 'always_equal') => $minutes * self::PER_MINUTE,
            $this->school->is('both_sides', 'affected_deep_other_light') && $minutes >= $this->figures->otherSideFromMinutes
                => (int) ($this->figures->otherSideMinutes * self::PER_MINUTE),
            default => 0,
        };
    }
}
