<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;
use Somatrace\Core\Treatment\MuscleDose;
use Somatrace\Core\Treatment\Stream;
use Somatrace\Core\Treatment\TreatmentState;

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
        return $visits === [] ? [] : $this->doneOf($visits, TableEvents::rows($visits));
    }

    /**
     * @param  list<int>  $visits
     * @param  array<int, list<\stdClass>>  $events  rows of TableEvents, by visit
     * @return array<int, list<array<string, mixed>>> the same, where the events were read already
     */
    public function doneOf(array $visits, array $events): array
    {
        $done = array_map(fn (array $rows): array => $this->ofMuscles(Fold::of([], TableEvents::events($rows))), $events);

        return $done + $this->brought(array_diff($visits, array_keys($done)));
    }

    /**
     * @return array{done: list<array<string, mixed>>, signs: list<array{at: string, sign: string, by_server: bool, slip: bool,
     * muscle: string|null, side: string|null}>} what was done in one visit, and what the client answered to it, in order; by the server's
     * clock where the tablet's cannot have been right; a slip was taken back at once, and is told as such
     */
    public function record(Visit $visit): array
    {
        if ($visit->origin === 'elsewhere') {
            return ['done' => $this->brought([$visit->id])[$visit->id] ?? [], 'signs' => []];
        }
        $rows = array_column(TableEvents::rows([$visit->id])[$visit->id] ?? [], null, 'id');
        $events = TableEvents::events(array_values($rows));
        $state = Fold::of([], $events);
        $slips = array_fill_keys(array_map(static fn (Event $one): string => $one->id, $state->takenBack), true);
        $signs = [];
        foreach (Stream::inOrder($events) as $event) {
            if ($event->type === 'sign') {
                $row = $rows[$event->id];
                $step = $state->steps[$event->step] ?? null;
                $signs[] = [
                    'at' => CarbonImmutable::parse((string) $row->happened_at, 'UTC')->toIso8601ZuluString(),
                    'sign' => (string) $event->text('sign'), 'by_server' => $row->told_at !== null, 'slip' => isset($slips[$event->id]),
                    'muscle' => $step?->muscle, 'side' => $step?->muscle === null ? null : $step->side,
                ];
            }
        }

        return ['done' => $this->ofMuscles($state), 'signs' => $signs];
    }

    /**
     * @param  array<int>  $visits  at whose table nothing happened: of those from elsewhere, their word is all there is
     * @return array<int, list<array<string, mixed>>> what a visit from elsewhere says was done, by visit
     */
    private function brought(array $visits): array
    {
        if ($visits === []) {
            return [];
        }
        $rows = DB::table('entries')->whereIn('visit_id', $visits)->where('kind', EntryKind::Done->value)->whereNull('fault')
            ->orderBy('identity')
            ->get(['visit_id', 'payload']);
        $brought = [];
        foreach ($rows as $row) {
            $brought[(int) $row->visit_id][] = (array) json_decode((string) $row->payload, true);
        }

        return $brought;
    }

    /** @return list<array<string, mixed>> of the muscles that were pressed */
    private function ofMuscles(TreatmentState $state): array
    {
        $pressed = array_filter($state->muscles, static fn (MuscleDose $one): bool => $one->maxPressure > 0);

        return array_values(array_map(fn (MuscleDose $one): array => [
            'muscle' => $one->muscle, 'side' => $one->side, 'minutes' => round($one->clockSeconds / 60, 2),
            'max_pressure' => $one->maxPressure, 'seconds_at_pressure' => $one->seconds, 'dose_kpa_s' => round($one->kpaSeconds, 1),
            'signs' => array_values(array_filter($one->signs, $this->clinic->atlas()->isSign(...))),
            ...array_filter(['technique' => $one->technique, 'tool' => $one->tool], is_string(...)),
            ...$one->spots === [] ? [] : ['spots' => array_map(strval(...), array_keys($one->spots))],
        ], $pressed));
    }
}
