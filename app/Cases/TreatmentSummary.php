<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;

/**
 * From the events at the table to what was done: minutes, strongest pressure, seconds in contact, dose and signs, by muscle; and what a
 * visit from elsewhere says was done.
 */
final readonly class TreatmentSummary
{
    public function __construct(private Clinic $clinic)
    {
    }

    /**
     * @param  list<int>  $visits
     * @return array<int, list<array<string, mixed>>> entries of the case format's `done`, by visit
     */
    public function doneByVisit(array $visits): array
    {
        $done = [];
        foreach ($visits === [] ? [] : $this->events($visits)->groupBy('visit_id') as $visit => $rows) {
            $done[(int) $visit] = $this->ofVisit(array_values($rows->all()));
        }

        return $done;
    }

    /**
     * @return array{done: list<array<string, mixed>>, signs: list<array{at: string, sign: string, by_server: bool, muscle: string|null,
     * side: string|null}>} what was done in one visit, and what the client answered to it, in order; by the server's clock where the
     * tablet's cannot have been right
     */
    public function record(int $visit): array
    {
        $events = array_values($this->events([$visit])->all());
        $at = [];
        $signs = [];
        foreach ($events as $event) {
            $payload = (array) json_decode((string) $event->payload, true);
            if ($event->type === 'step_started') {
                $at[$event->step] = ['muscle' => $payload['muscle'] ?? null, 'side' => $payload['side'] ?? null];
            } elseif ($event->type === 'sign') {
                $signs[] = [
                    'at' => CarbonImmutable::parse((string) $event->happened_at, 'UTC')->toIso8601ZuluString(),
                    'sign' => (string) $payload['sign'], 'by_server' => $event->told_at !== null,
                    ...$at[$event->step] ?? ['muscle' => null, 'side' => null],
                ];
            }
        }

        return ['done' => $this->ofVisit($events), 'signs' => $signs];
    }

    /**
     * @param  list<int>  $visits
     * @return Collection<int, \stdClass> what happened at the table, and what a visit from elsewhere says was done, as rows of type "done"
     */
    private function events(array $visits): Collection
    {
        // in one go: a brought row has no place in the order of receipt, and its name stands where an event has its step
        $brought = DB::table('entries')->whereIn('visit_id', $visits)->where('kind', EntryKind::Done->value)->whereNull('fault')
            ->select([
                DB::raw('null as seq'), 'visit_id', 'kind as type', 'identity as step', 'payload', DB::raw('null as device'),
                DB::raw('null as number'), 'created_at as happened_at', DB::raw('null as told_at'),
            ]);
        $rows = DB::table('treatment_events')
            ->whereIn('visit_id', $visits)
            ->whereNull('fault')
            ->select(['seq', 'visit_id', 'type', 'step', 'payload', 'device', 'number', 'happened_at', 'told_at'])
            ->unionAll($brought)
            ->get();
        $told = $rows->filter(static fn (\stdClass $row): bool => $row->seq === null);
        $here = $rows->filter(static fn (\stdClass $row): bool => $row->seq !== null);

        return $here
            ->groupBy('visit_id')
            ->flatMap(static fn (Collection $of): array => EventOrder::of(array_values($of->all())))
            ->merge($told->sortBy('step'))
            ->values();
    }

    /**
     * @param  list<\stdClass>  $events
     * @return list<array<string, mixed>>
     */
    private function ofVisit(array $events): array
    {
        $muscles = [];
        $stepMuscle = [];
        $brought = [];
        foreach ($events as $event) {
            $payload = (array) json_decode((string) $event->payload, true);
            if ($event->type === EntryKind::Done->value) {
                $brought[] = $payload;

                continue;
            }
            if (isset($payload['muscle'], $payload['side'])) {
                $stepMuscle[$event->step] = $payload['muscle'].'|'.$payload['side'];
            }
            $key = $stepMuscle[$event->step] ?? null;
            if ($key === null) {
                continue;
            }
            [$muscle, $side] = explode('|', $key);
            $muscles[$key] ??= [
                'muscle' => $muscle, 'side' => $side, 'minutes' => 0.0, 'max_pressure' => 0.0, 'seconds_at_pressure' => 0.0,
                'dose_kpa_s' => 0.0, 'signs' => [],
            ];
            $muscles[$key] = match ($event->type) {
                'pass_reached' => $this->pass($muscles[$key], $payload),
                'sign' => $this->sign($muscles[$key], $payload),
                'step_done', 'step_skipped',
                'stopped' => [
                    ...$muscles[$key], 'minutes' => $muscles[$key]['minutes'] + round(($payload['seconds'] ?? 0) / 60, 2),
                    ...$this->how($payload),
                ],
                default => $muscles[$key],
            };
        }

        return [...array_values(array_filter($muscles, static fn (array $done): bool => $done['max_pressure'] > 0)), ...$brought];
    }

    /**
     * @param  array<string, mixed>  $done
     * @param  array<array-key, mixed>  $pass
     * @return array<string, mixed>
     */
    private function pass(array $done, array $pass): array
    {
        $seconds = (float) ($pass['seconds'] ?? 0);

        return [
            ...$done,
            'max_pressure' => max($done['max_pressure'], (float) ($pass['pressure'] ?? 0)),
            'seconds_at_pressure' => $done['seconds_at_pressure'] + $seconds,
            'dose_kpa_s' => round($done['dose_kpa_s'] + $seconds * (float) ($pass['tissue_kpa'] ?? 0), 1),
        ];
    }

    /**
     * @param  array<string, mixed>  $done
     * @param  array<array-key, mixed>  $payload
     * @return array<string, mixed>
     */
    private function sign(array $done, array $payload): array
    {
        $sign = $payload['sign'] ?? null;
        if (is_string($sign) && $this->clinic->atlas()->isSign($sign) && ! in_array($sign, $done['signs'], true)) {
            $done['signs'][] = $sign;
        }

        return $done;
    }

    /**
     * @param  array<array-key, mixed>  $payload
     * @return array<string, string>
     */
    private function how(array $payload): array
    {
        return array_filter(['technique' => $payload['technique'] ?? null, 'tool' => $payload['tool'] ?? null], is_string(...));
    }
}
