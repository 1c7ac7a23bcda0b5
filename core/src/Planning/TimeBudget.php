<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Session;
use Somatrace\Core\Handwork\Composition;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\SoFar;

/** The fixed costs of a visit in whole quarter minutes, and what a target costs besides its own minutes. */
final readonly class TimeBudget
{
    public const PER_MINUTE = 4;

    public int $settle;

    public int $aftercare;

    public int $finish;

    public int $warmUp;

    /** of all warm-ups of a visit, unless there are so many regions */
    public int $mostWarmUp;

    /** a region's own: its warm-up, the broad strokes at its end, and what is measured again */
    public int $region;

    public int $soothe;

    public int $recheck;

    public int $turn;

    public int $rest;

    public int $shift;

    /** @param  SoFar|null  $soFar  of a treatment that runs */
    public function __construct(private PlanFigures $figures, public int $budget, private ?SoFar $soFar = null)
    {
        $share = $budget < $figures->shortVisitMinutes * self::PER_MINUTE ? $figures->shortShare : 1.0;
        $quarters = static fn (float $minutes, float $share = 1.0): int => (int) round($share * $minutes * self::PER_MINUTE);
        $this->settle = ($soFar?->runs() ?? false) ? 0 : $quarters($figures->settleMinutes, $share);
        $this->aftercare = $quarters($figures->aftercareMinutes, $share);
        $this->finish = $quarters($figures->finishMinutes);
        $this->warmUp = $quarters($figures->warmUpMinutes);
        $this->mostWarmUp = $quarters($figures->warmUpMost);
        $this->recheck = $quarters($figures->recheckMinutes);
        $this->turn = $quarters($figures->turnMinutes);
        $this->rest = $quarters($figures->restMinutes);
        $this->shift = $quarters($figures->shiftMinutes);
        $this->soothe = $quarters($figures->sootheMinutes);
        $this->region = $this->warmUp + $this->rest + $this->recheck + $quarters(
            ceil(self::PER_MINUTE * $figures->hygieneMinutes['wipe']) / self::PER_MINUTE,
        );
    }

    public static function of(Session $session, PlanFigures $figures, ?float $mostMinutes, SoFar $soFar): self
    {
        $minutes = min($session->now->minutesLeft ?? $session->minutes ?? $figures->defaultMinutes, $mostMinutes ?? PHP_INT_MAX);

        return new self($figures, (int) floor($minutes * self::PER_MINUTE), $soFar);
    }

    /**
     * How often the client turns to lie in these families of positions one after the other.
     *
     * @param  list<string>  $families
     */
    public function turns(array $families): int
    {
        $lies = $this->soFar?->family();

        return max(0, count($families) - ($lies === null || $lies === ($families[0] ?? $lies) ? 1 : 0));
    }

    /**
     * What is left for warm-ups and treatment when the visit uses these position families.
     *
     * @param  list<string>  $families
     */
    public function forWork(array $families): int
    {
        $fixed = $this->settle + $this->aftercare + $this->finish + $this->turn * $this->turns($families);

        return $this->budget - $fixed;
    }

    /** Quarter minutes of what a running treatment still owes: a glove to be taken off, what was worked and not measured again. */
    private function owed(): int
    {
        return (($this->soFar?->isGloved() ?? false) ? self::quarters($this->figures->hygieneMinutes['glove_off_wash']) : 0)
            + ($this->soFar !== null && $this->soFar->unchecked() !== [] ? $this->recheck : 0);
    }

    /** Quarter minutes of cold and of soothing, and of what is owed. */
    public function given(int $offers, int $soothed): int
    {
        return $offers * (int) ($this->figures->offerMinutes * self::PER_MINUTE) + $soothed * $this->soothe + $this->owed();
    }

    /**
     * Quarter minutes a region takes besides its targets: what is warm already is not warmed again.
     *
     * @param  list<Place>  $places
     */
    public function region(array $places): int
    {
        return $this->region - (($this->soFar?->isWarm($places) ?? false) ? $this->warmUp : 0);
    }

    /** Quarter minutes a target takes in all: its own, the rests it asks for, the other side, the shift of position. */
    public function cost(Option $option, Composition $composition, bool $otherSideToo): int
    {
        $other = $otherSideToo ? $option->otherSide[$composition->size->value] ?? null : null;

        return self::quarters($composition->minutes()) + $this->restsFor($composition)
            + ($other === null ? 0 : self::quarters($other->minutes()) + $this->restsFor($other))
            + ($option->position === $option->family ? 0 : 2 * $this->shift) + array_sum($this->hygiene($composition));
    }

    public static function quarters(float $minutes): int
    {
        return (int) ceil($minutes * self::PER_MINUTE - 1e-6);
    }

    /** @return array<string, int> quarter minutes of what is washed and worn for a way of working: before it, and after */
    public function hygiene(Composition $composition): array
    {
        return $composition->uses($this->figures->glovedTechniques)
            ? array_map(fn (float $minutes): int => self::quarters($minutes), array_intersect_key(
                $this->figures->hygieneMinutes, array_flip(['wash', 'glove_on', 'glove_off_wash']),
            ))
            : [];
    }

    /** Its share of the broad strokes between: never more than so many minutes of deep work without one. */
    private function restsFor(Composition $composition): int
    {
        $deep = $composition->deepSeconds($this->figures->firmFrom);

        return $deep <= 0 ? 0 : (int) ceil($this->rest * $deep / (60 * $this->figures->deepMinutes / 2));
    }
}
