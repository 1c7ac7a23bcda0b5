<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/** Where a treatment stands, and what it gave. */
final readonly class TreatmentState
{
    /**
     * @param  array<string, StepState>  $steps  by id, as they were agreed, then those of no plan
     * @param  array<string, MuscleDose>  $muscles  by "muscle|side"
     * @param  list<Event>  $takenBack  touches that were a slip, in order
     * @param  bool  $isStopped  the whole of it
     */
    public function __construct(public array $steps, public array $muscles, public array $takenBack, public bool $isStopped)
    {
    }

    /** @return list<string> steps that were ended, one way or another */
    public function ended(): array
    {
        return array_map(
            strval(...), array_keys(array_filter($this->steps, static fn (StepState $step): bool => $step->end() !== null)),
        );
    }

    /** @return array<string, mixed> the shape the page folds to as well */
    public function toArray(): array
    {
        return [
            'steps' => array_map(static fn (StepState $step): array => $step->toArray(), $this->steps),
            'muscles' => array_map(static fn (MuscleDose $dose): array => $dose->toArray(), $this->muscles),
            'taken_back' => array_map(static fn (Event $event): string => $event->id, $this->takenBack), 'stopped' => $this->isStopped,
        ];
    }
}
