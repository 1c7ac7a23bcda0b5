<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/**
 * What was agreed and what happened, folded into where a treatment stands and what it gave: the one reading of it, for the room, the
 * record, the response and the rest of the plan. The room folds the same in the page (resources/js/work/fold.ts), held to this one by
 * streams made by chance.
 */
final readonly class Fold
{
    /**
     * @param  iterable<array<array-key, mixed>>  $steps  of all the plans that were agreed for the visit, each with its id
     * @param  iterable<Event>  $events  in any order, any of them more than once
     */
    public static function of(iterable $steps, iterable $events): TreatmentState
    {
        $stream = Stream::of($events);
        $states = [];
        foreach ($steps as $step) {
            $agreed = AgreedStep::from($step);
            $states[$agreed->id] = new StepState($agreed);
        }
        $isStopped = false;
        foreach ($stream->standing as $event) {
            if ($event->step === 'all') {
                $isStopped = $isStopped || $event->type === 'stopped';

                continue;
            }
            $states[$event->step] ??= new StepState(AgreedStep::from(['id' => $event->step]));
            $states[$event->step]->take($event);
        }

        return new TreatmentState($states, self::muscles($states), $stream->takenBack, $isStopped);
    }

    /**
     * @param  array<string, StepState>  $states
     * @return array<string, MuscleDose> by "muscle|side", of those whose step was begun
     */
    private static function muscles(array $states): array
    {
        $doses = [];
        foreach ($states as $state) {
            if ($state->isStarted && $state->muscle !== null && $state->side !== null) {
                $doses["$state->muscle|$state->side"] ??= new MuscleDose($state->muscle, $state->side);
                $doses["$state->muscle|$state->side"]->add($state);
            }
        }

        return $doses;
    }
}
