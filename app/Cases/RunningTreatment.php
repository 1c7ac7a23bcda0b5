<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Visit;
use Carbon\CarbonImmutable;
use Somatrace\Core\Clinic;
use Somatrace\Core\Treatment\Contact;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;
use Somatrace\Core\Treatment\StepState;
use Somatrace\Core\Treatment\Stream;

/**
 * A treatment that runs, as the case tells it: the steps done at the table so far, and where it stands. Nothing before the first step is
 * begun, and nothing once all of them are behind: then there is nothing left to be planned.
 */
final readonly class RunningTreatment
{
    /** A visit that nothing was told of for longer was laid aside: it did not go on meanwhile. */
    private const LAID_ASIDE_SECONDS = 30 * 60;

    public function __construct(private Clinic $clinic)
    {
    }

    /** @return array{done_steps?: list<array<string, mixed>>, now?: array<string, mixed>} parts of `session` */
    public function of(Visit $visit): array
    {
        $rows = $visit->isSigned() ? [] : TableEvents::rows([$visit->id])[$visit->id] ?? [];
        if ($rows === []) {
            return [];
        }
        $agreed = AgreedPlans::of($visit->id);
        $steps = $agreed->steps;
        $events = Stream::of(TableEvents::events($rows))->standing;
        $state = Fold::of($steps, $events);
        // in the order in which the hands came to them
        $told = array_values(array_unique(array_filter(
            array_map(static fn (Event $event): string => $event->step, $events), static fn (string $step): bool => isset($steps[$step]),
        )));
        if ($told === [] || $state->isStopped || array_diff(array_column($agreed->last['steps'] ?? [], 'id'), $state->ended()) === []) {
            return [];
        }
        $done = [];
        foreach ($told as $id) {
            array_push($done, ...$this->step($steps[$id], $state->steps[$id]));
        }
        $worked = array_filter($told, static fn (string $id): bool => $state->steps[$id]->end() !== 'skipped');

        return [
            ...$done === [] ? [] : ['done_steps' => $done],
            'now' => [
                'position' => $steps[$told[count($told) - 1]]['position'],
                'minutes_left' => round(max(0, $visit->minutes - $this->minutes($rows)), 1),
                ...$this->onTheHands(array_map(static fn (string $id): array => $steps[$id], array_values($worked))),
            ],
        ];
    }

    /**
     * What was done of a step, and that it was passed over where it was.
     *
     * @param  array<string, mixed>  $step  as it was agreed
     * @return list<array<string, mixed>> entries of `done_steps`
     */
    private function step(array $step, StepState $state): array
    {
        $named = [
            ...isset($step['joint']) ? ['joint' => $step['joint']] : [], ...isset($step['muscle']) ? ['muscle' => $step['muscle']] : [],
            ...isset($step['side']) ? ['side' => $step['side']] : [],
            'step' => $step['id'], 'kind' => $step['kind'], 'position' => $step['position'],
            ...isset($step['round']) ? ['round' => $step['round']] : [],
            ...($step['places'] ?? []) === [] ? [] : ['zones' => $step['places']],
        ];
        $end = $state->end();
        $manoeuvres = $this->manoeuvres($step, $state);
        $worked = $end === 'done' || $end === 'stopped' || $state->contacts !== [] ? [[
            ...$named, 'minutes' => round(($state->clockSeconds() ?? $state->handSeconds()) / 60, 2),
            ...$end === 'stopped' ? ['stopped' => true] : [],
            ...$manoeuvres === [] ? [] : ['manoeuvres' => $manoeuvres],
        ]] : [];

        return [...$worked, ...$end === 'skipped' ? [[...$named, 'minutes' => 0, 'skipped' => true]] : []];
    }

    /**
     * What the hands did of a step. Where a room told its passes only, what stands before a pass was done with it, and all of it where the
     * step was done to its end.
     *
     * @param  array<string, mixed>  $step
     * @return list<array<string, mixed>>
     */
    private function manoeuvres(array $step, StepState $state): array
    {
        $done = [];
        $held = $this->toldByPart($state->contacts) ? $this->told($state) : $this->passes($step, $state);
        foreach ($held as [$k, $spots, $seconds, $pressure]) {
            $one = $step['manoeuvres'][$k] ?? null;
            foreach ($one === null ? [] : ($spots === [] ? [null] : $spots) as $spot) {
                $done[] = array_filter([
                    'technique' => $one['technique'], 'spot' => $spot, 'setup' => $one['setup'], 'tool' => $one['tool'],
                    'product' => $one['product'], 'seconds' => round($seconds / max(1, count($spots)), 1), 'pressure' => $pressure,
                ], static fn (mixed $part): bool => $part !== null);
            }
        }
        if ($done !== [] && $state->signs !== []) {
            $done[count($done) - 1]['answer'] = $state->signs[count($state->signs) - 1];
        }

        return $done;
    }

    /** @param  list<Contact>  $contacts */
    private function toldByPart(array $contacts): bool
    {
        return array_filter($contacts, static fn (Contact $one): bool => $one->part !== null) !== [];
    }

    /** @return iterable<array{int, list<string>, float, float|null}> manoeuvre, spots, seconds and pressure, as the hands told them */
    private function told(StepState $state): iterable
    {
        foreach ($state->contacts as $one) {
            if ($one->part !== null && $one->seconds > 0) {
                yield [$one->part, $one->spots, $one->seconds, $one->pressure > 0 ? $one->pressure : null];
            }
        }
    }

    /**
     * @param  array<string, mixed>  $step
     * @return iterable<array{int, list<string>, float, float|null}>
     */
    private function passes(array $step, StepState $state): iterable
    {
        $pressed = 0;
        foreach ($step['manoeuvres'] ?? [] as $k => $one) {
            $pass = $one['pressure'] === null ? null : $state->contacts[$pressed++] ?? null;
            if (! $state->isDone($k) && $state->end() !== 'done') {
                return;
            }
            yield [
                $k, $one['spots'], $pass->seconds ?? (float) ($one['seconds'] * $one['repeats'] * max(1, count($one['spots']))),
                $pass->pressure ?? $one['pressure'],
            ];
        }
    }

    /** @param  list<\stdClass>  $rows */
    private function minutes(array $rows): float
    {
        $seconds = 0.0;
        $before = null;
        usort($rows, static fn (\stdClass $a, \stdClass $b): int => $a->happened_at <=> $b->happened_at);
        foreach ($rows as $event) {
            $at = CarbonImmutable::parse((string) $event->happened_at, 'UTC');
            $since = $before === null ? 0.0 : $before->diffInSeconds($at);
            $seconds += $since > self::LAID_ASIDE_SECONDS ? 0.0 : max(0.0, $since);
            $before = $at;
        }

        return $seconds / 60;
    }

    /**
     * Where there is oil, and whether the hand is gloved, after what was done to its end.
     *
     * @param  list<array<string, mixed>>  $steps  as they were agreed, in the order of the table
     * @return array{oiled?: list<array{zone: string, side: string}>, gloved: bool}
     */
    private function onTheHands(array $steps): array
    {
        $oiled = [];
        $gloved = false;
        foreach ($steps as $step) {
            $products = array_filter([$step['product'] ?? null, ...array_column($step['manoeuvres'] ?? [], 'product')]);
            if (array_filter($products, $this->clinic->atlas()->isOil(...)) !== []) {
                foreach ($step['places'] ?? [] as $place) {
                    $oiled[$place['zone'].' '.$place['side']] = $place;
                }
            }
            $what = $step['what'] ?? null;
            $oiled = $what === 'wipe' ? [] : $oiled;
            $gloved = match ($what) {
                'glove_on' => true, 'glove_off_wash' => false, default => $gloved,
            };
        }

        return [...$oiled === [] ? [] : ['oiled' => array_values($oiled)], 'gloved' => $gloved];
    }
}
