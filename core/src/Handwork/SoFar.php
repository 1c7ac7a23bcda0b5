<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\DoneStep;
use Somatrace\Core\CaseFile\Session;

/** What was done at the table already, of a treatment that runs: a plan then is of the minutes that are left. */
final readonly class SoFar
{
    private const RECHECK = 'recheck';

    private const FEEL = 'feel';

    private const WARMS = ['warm_up', 'treat', 'rest_stroke'];

    private const SOOTHES = ['soothe', 'treat'];

    /** @var array<string, true> places that are warm */
    private array $warm;

    /** @var array<string, list<DoneStep>> what was done, by target */
    private array $worked;

    /** @var array<string, true> targets that were passed over */
    private array $skipped;

    /** @param  list<DoneStep>  $steps */
    private function __construct(
        private Atlas $atlas,
        private PlanFigures $figures,
        private array $steps,
        private ?string $position,
        private bool $isOily,
        private bool $isGloved,
        private bool $runs,
        Place ...$warmed,
    ) {
        $warm = [];
        foreach ($warmed as $place) {
            $warm[$place->key()] = true;
        }
        foreach ($steps as $step) {
            foreach (in_array($step->kind, self::WARMS, true) && ! $step->skipped ? $step->zones : [] as $place) {
                $warm[$place->key()] = true;
            }
        }
        $this->warm = $warm;
        $worked = $skipped = [];
        foreach ($steps as $step) {
            $target = $step->target();
            if ($target !== null && $step->skipped) {
                $skipped[$target] = true;
            } elseif ($target !== null) {
                $worked[$target][] = $step;
            }
        }
        $this->worked = $worked;
        $this->skipped = $skipped;
    }

    public static function of(Session $session, Atlas $atlas, PlanFigures $figures): self
    {
        $last = $session->doneSteps === [] ? null : $session->doneSteps[count($session->doneSteps) - 1];

        return new self(
            $atlas, $figures, $session->doneSteps, $session->now->position ?? $last?->position, ($session->now->oiled ?? []) !== [],
            $session->now->gloved ?? false, $session->now !== null || $session->doneSteps !== [], ...$session->now->warmed ?? [],
        );
    }

    /** Nobody lies down anew. */
    public function runs(): bool
    {
        return $this->runs;
    }

    /** The family of positions the client lies in; null where that was not told. */
    public function family(): ?string
    {
        return $this->position === null ? null : $this->atlas->position($this->position)->family;
    }

    public function isOily(): bool
    {
        return $this->isOily;
    }

    public function isGloved(): bool
    {
        return $this->isGloved;
    }

    /** @param  list<Place>  $places */
    public function isWarm(array $places): bool
    {
        foreach ($places as $place) {
            if (! isset($this->warm[$place->key()])) {
                return false;
            }
        }

        return $places !== [];
    }

    /** Minutes of work on a target. */
    public function minutes(string $target): float
    {
        return array_sum(array_map(static fn (DoneStep $one): float => $one->minutes, $this->workOn($target)));
    }

    public function minutesOf(MuscleAt $at): float
    {
        return $this->minutes($at->key());
    }

    public function isStopped(string $target): bool
    {
        return array_filter($this->workOn($target), static fn (DoneStep $one): bool => $one->stopped) !== [];
    }

    public function isSkipped(string $target): bool
    {
        return isset($this->skipped[$target]);
    }

    /** The round that was the last on a target; 0 before the first. */
    public function rounds(string $target): int
    {
        return max([0, ...array_map(static fn (DoneStep $one): int => $one->round ?? 1, $this->workOn($target))]);
    }

    /**
     * A hand was there already, on the place or on a muscle under it.
     *
     * @param  callable(MuscleAt): bool  $under
     */
    public function wasSoothed(Place $place, callable $under): bool
    {
        foreach ($this->steps as $step) {
            $there = in_array($step->kind, self::SOOTHES, true)
                && in_array($place->key(), array_map(static fn (Place $one): string => $one->key(), $step->zones), true);
            $on = $step->target() !== null && $step->muscle !== null && $step->side !== null
                && $under(new MuscleAt($step->muscle, $step->side));
            if (! $step->skipped && ($there || $on)) {
                return true;
            }
        }

        return false;
    }

    /** A finger went there to feel it. */
    public function wasFelt(MuscleAt $at): bool
    {
        return isset($this->felt()[$at->key()]);
    }

    /** @return array<string, true> muscles a finger went to, by muscle and side */
    public function felt(): array
    {
        $felt = [];
        foreach ($this->steps as $step) {
            if ($step->kind === self::FEEL && ! $step->skipped && $step->muscle !== null && $step->side !== null) {
                $felt[(new MuscleAt($step->muscle, $step->side))->key()] = true;
            }
        }

        return $felt;
    }

    /** Spots of a target at which a point was held. */
    public function pointsHeld(string $target): int
    {
        $held = [];
        foreach ($this->workOn($target) as $step) {
            foreach ($step->manoeuvres as $index => $one) {
                if ($one->technique === $this->figures->usual->pointHold) {
                    $held[$one->spot ?? "$step->step $index"] = true;
                }
            }
        }

        return count($held);
    }

    /** @return list<string> ways it was worked in */
    public function techniques(string $target): array
    {
        $techniques = [];
        foreach ($this->workOn($target) as $step) {
            foreach ($step->manoeuvres as $one) {
                $techniques[$one->technique] = true;
            }
        }

        return array_keys($techniques);
    }

    /** The strongest a target was felt; null where that was not told. */
    public function reached(string $target): ?float
    {
        $felt = [];
        foreach ($this->workOn($target) as $step) {
            foreach ($step->manoeuvres as $one) {
                $felt[] = $one->pressure;
            }
        }
        $felt = array_filter($felt, static fn (?float $one): bool => $one !== null);

        return $felt === [] ? null : max($felt);
    }

    /** @return array<string, float> minutes at firm pressure, by tool */
    public function load(): array
    {
        $load = [];
        foreach ($this->steps as $step) {
            foreach ($step->manoeuvres as $one) {
                if ($one->tool !== null && ($one->pressure ?? 0) >= $this->figures->firmFrom) {
                    $load[$one->tool] = ($load[$one->tool] ?? 0.0) + $one->seconds / 60;
                }
            }
        }

        return $load;
    }

    /** Seconds of deep work since the last broad stroke, pause or turn. */
    public function deepSeconds(): float
    {
        $deep = 0.0;
        foreach ($this->steps as $step) {
            $deep = $step->target() === null && ! $step->skipped ? 0.0 : $deep;
            foreach ($step->manoeuvres as $one) {
                $deep += ($one->pressure ?? 0) >= $this->figures->firmFrom ? $one->seconds : 0.0;
            }
        }

        return $deep;
    }

    /** @return list<string> targets that were worked and not measured again since, the last first */
    public function unchecked(): array
    {
        $waiting = [];
        foreach ($this->steps as $step) {
            if ($step->kind === self::RECHECK && ! $step->skipped) {
                $waiting = [];
            }
            if ($step->target() !== null && ! $step->skipped) {
                $waiting = [$step->target() => true, ...$waiting];
            }
        }

        return array_keys($waiting);
    }

    public function hasDone(string $kind): bool
    {
        return array_filter($this->steps, static fn (DoneStep $one): bool => $one->kind === $kind && ! $one->skipped) !== [];
    }

    /** @return list<DoneStep> */
    private function workOn(string $target): array
    {
        return $this->worked[$target] ?? [];
    }
}
