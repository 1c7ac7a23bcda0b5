<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;

/**
 * A treatment that runs, as the case tells it: the steps done at the table so far, and where it stands. Nothing before the first step is
 * begun, and nothing once all of them are behind: then there is nothing left to be planned.
 */
final readonly class RunningTreatment
{
    /** A visit that nothing was told of for longer was laid aside: it did not go on meanwhile. */
    private const LAID_ASIDE_SECONDS = 30 * 60;

    private const ENDS = ['step_done', 'step_skipped', 'stopped'];

    public function __construct(private Clinic $clinic)
    {
    }

    /** @return array{done_steps?: list<array<string, mixed>>, now?: array<string, mixed>} parts of `session` */
    public function of(Visit $visit): array
    {
        $events = $this->events($visit);
        if ($events === [] || $visit->isSigned()) {
            return [];
        }
        $plans = DB::table('plans')->where('visit_id', $visit->id)->orderBy('id')->pluck('document')
            ->map(static fn (mixed $document): array => (array) json_decode((string) $document, true))->all();
        $steps = array_column(array_merge([], ...array_column($plans, 'steps')), null, 'id');
        $told = [];
        foreach ($events as $event) {
            $told[$event->step][] = $event;
        }
        $told = array_intersect_key($told, $steps);
        $ended = array_filter($told, static fn (array $of): bool => self::ended($of) !== null);
        $last = $plans[count($plans) - 1] ?? ['steps' => []];
        $left = array_diff(array_column($last['steps'], 'id'), array_keys($ended));
        $isStopped = array_filter($events, static fn (\stdClass $one): bool => $one->type === 'stopped' && $one->step === 'all') !== [];
        if ($told === [] || $left === [] || $isStopped) {
            return [];
        }
        $done = [];
        foreach ($told as $id => $of) {
            array_push($done, ...$this->step($steps[$id], $of));
        }
        $worked = array_filter($told, static fn (array $of): bool => self::ended($of)?->type !== 'step_skipped');

        return [
            ...$done === [] ? [] : ['done_steps' => $done],
            'now' => [
                'position' => $steps[array_key_last($told)]['position'],
                'minutes_left' => round(max(0, $visit->minutes - $this->minutes($events)), 1),
                ...$this->onTheHands(array_map(static fn (string $id): array => $steps[$id], array_keys($worked))),
            ],
        ];
    }

    /** @return list<\stdClass> in the order of the table */
    private function events(Visit $visit): array
    {
        return EventOrder::of(array_values(
            $visit->events()->whereNull('fault')->whereIn('type', ['step_started', 'pass_reached', 'sign', ...self::ENDS])->toBase()
                ->get(['seq', 'type', 'step', 'payload', 'device', 'number', 'happened_at'])
                ->map(static function (\stdClass $row): \stdClass {
                    $row->payload = (array) json_decode((string) $row->payload, true);

                    return $row;
                })->all(),
        ));
    }

    /**
     * What was done of a step, and that it was passed over where it was.
     *
     * @param  array<string, mixed>  $step  as it was agreed
     * @param  list<\stdClass>  $events
     * @return list<array<string, mixed>> entries of `done_steps`
     */
    private function step(array $step, array $events): array
    {
        $end = self::ended($events);
        $passes = array_values(array_filter($events, static fn (\stdClass $one): bool => $one->type === 'pass_reached'));
        $named = [
            ...isset($step['joint']) ? ['joint' => $step['joint']] : [], ...isset($step['muscle']) ? ['muscle' => $step['muscle']] : [],
            ...isset($step['side']) ? ['side' => $step['side']] : [],
            'step' => $step['id'], 'kind' => $step['kind'], 'position' => $step['position'],
            ...isset($step['round']) ? ['round' => $step['round']] : [],
            ...($step['places'] ?? []) === [] ? [] : ['zones' => $step['places']],
        ];
        $seconds = (float) ($end->payload['seconds'] ?? array_sum(array_map(
            static fn (\stdClass $one): float => (float) ($one->payload['seconds'] ?? 0), $passes,
        )));
        $isSkipped = $end?->type === 'step_skipped';
        $manoeuvres = $this->manoeuvres($step, $passes, $events, $end?->type === 'step_done');
        $worked = $end?->type === 'step_done' || $end?->type === 'stopped' || $passes !== [] ? [[
            ...$named, 'minutes' => round($seconds / 60, 2), ...$end?->type === 'stopped' ? ['stopped' => true] : [],
            ...$manoeuvres === [] ? [] : ['manoeuvres' => $manoeuvres],
        ]] : [];

        return [...$worked, ...$isSkipped ? [[...$named, 'minutes' => 0, 'skipped' => true]] : []];
    }

    /**
     * What the hands did of a step: all of it where it was done to its end, else as far as the passes went, in each of which one more
     * manoeuvre is pressed.
     *
     * @param  array<string, mixed>  $step
     * @param  list<\stdClass>  $passes
     * @param  list<\stdClass>  $events
     * @return list<array<string, mixed>>
     */
    private function manoeuvres(array $step, array $passes, array $events, bool $isDone): array
    {
        $done = [];
        $pressed = 0;
        $signs = array_filter($events, static fn (\stdClass $one): bool => $one->type === 'sign');
        $answer = array_key_last($signs);
        foreach ($step['manoeuvres'] ?? [] as $one) {
            $pass = $one['pressure'] === null ? null : $passes[$pressed++] ?? null;
            if (! $isDone && ($one['pressure'] === null ? count($passes) < $pressed + 1 : $pass === null)) {
                break;
            }
            $spots = $one['spots'] === [] ? [null] : $one['spots'];
            $seconds = (float) ($pass->payload['seconds'] ?? $one['seconds'] * $one['repeats'] * count($spots));
            foreach ($spots as $spot) {
                $done[] = array_filter([
                    'technique' => $one['technique'], 'spot' => $spot, 'setup' => $one['setup'], 'tool' => $one['tool'],
                    'product' => $one['product'], 'seconds' => round($seconds / count($spots), 1),
                    'pressure' => $pass->payload['pressure'] ?? $one['pressure'],
                ], static fn (mixed $part): bool => $part !== null);
            }
        }
        if ($done !== [] && $answer !== null) {
            $done[count($done) - 1]['answer'] = $signs[$answer]->payload['sign'];
        }

        return $done;
    }

    /** @param  list<\stdClass>  $events  of one step */
    private static function ended(array $events): ?\stdClass
    {
        $ends = array_values(array_filter($events, static fn (\stdClass $one): bool => in_array($one->type, self::ENDS, true)));

        return $ends[0] ?? null;
    }

    /** @param  list<\stdClass>  $events */
    private function minutes(array $events): float
    {
        $seconds = 0.0;
        $before = null;
        foreach ($events as $event) {
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
