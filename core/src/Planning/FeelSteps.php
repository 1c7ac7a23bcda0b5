<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** What the ranking suspects and nobody felt is felt first, half a minute each, out of what is spare at the end. */
final readonly class FeelSteps
{
    public function __construct(private Atlas $atlas, private PlanFigures $figures, private TouchGate $gate)
    {
    }

    /**
     * @param  list<PlanStep>  $steps
     * @param  array<string, list<Suspect>>  $feel  by family of positions
     * @return list<PlanStep> felt as soon as the client lies so
     */
    public function put(array $steps, array $feel, TimeBudget $clock): array
    {
        $minutes = $this->figures->feelMinutes * array_sum(array_map(count(...), $feel));
        $put = $felt = [];
        foreach ($steps as $step) {
            if ($step->kind === StepKind::Finish) {
                $put[] = $step->lasting(max($clock->finish / TimeBudget::PER_MINUTE, $step->minutes - $minutes));

                continue;
            }
            $lies = in_array($step->kind, [StepKind::Settle, StepKind::Position], true);
            $goesOn = ! in_array($step->kind, [StepKind::Hygiene, StepKind::Recheck], true); // a treatment that runs: nobody lies down anew
            $first = isset($felt[$step->position]) || ! ($lies || $goesOn) ? [] : array_map(
                fn (Suspect $one): PlanStep => $this->step($one, $step->position), $feel[$step->position] ?? [],
            );
            $felt += $lies || $goesOn ? [$step->position => true] : [];
            array_push($put, ...($lies ? [$step, ...$first] : [...$first, $step]));
        }

        return $put;
    }

    /** @return list<Place> where a finger may feel for it, lying so; none where no hand should come */
    public function places(Candidate $candidate, string $position): array
    {
        $muscle = $this->atlas->muscle($candidate->at->muscle);
        if (! in_array($position, $muscle->positionsFor($candidate->at->side), true)) {
            return [];
        }

        return array_values(array_filter(
            array_map(static fn (string $zone): Place => new Place($zone, $candidate->at->side), $muscle->zones),
            fn (Place $place): bool => $this->gate->forbidding(
                new ProposedWork([$place], null, $this->figures->usual->finger, $position, null, $candidate->at),
            ) === null,
        ));
    }

    private function step(Suspect $suspect, string $position): PlanStep
    {
        $candidate = $suspect->candidate;
        $muscle = $this->atlas->muscle($candidate->at->muscle);

        return PlanStep::feel(
            $this->figures->feelMinutes, $position, $this->places($candidate, $position),
            Turn::at($candidate->at, ...$muscle->reference()->findSteps()), "Feel {$candidate->name}", $suspect->why(),
        );
    }
}
