<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\SaveEntry;
use App\Actions\SignVisit;
use App\Cases\EntryCheck;
use App\Cases\Judgements;
use App\Cases\QuestionGroups;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\Clinic;
use App\Models\EntryKind;
use App\Models\TreatmentEvent;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use App\Models\Waiting;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Somatrace\Core\Clinic as Core;

/** Tells a story of clients, visits and bookings into a clinic, as if it had been touched there; every judgement on it is computed. */
final class Storyteller
{
    private User $therapist;

    private User $second;

    private CarbonImmutable $now;

    /** the tablet on which all of it was touched */
    private string $device = '';

    private int $events = 0;

    public function __construct(
        private readonly SaveEntry $save,
        private readonly EntryCheck $check,
        private readonly SignVisit $sign,
        private readonly Judgements $judgements,
        private readonly Core $core,
    ) {
    }

    /**
     * @param  User  $therapist  who sees them all
     * @param  User  $second  with whom some are booked
     * @param  list<array<string, mixed>>  $clients  as in demo/clients.php
     */
    public function tell(User $therapist, User $second, array $clients): void
    {
        [$this->therapist, $this->second] = [$therapist, $second];
        $this->device = (string) Str::ulid();
        $this->now = CarbonImmutable::now();
        foreach ($clients as $client) {
            $this->client($therapist->clinic, $client);
        }
    }

    /** @param  array<string, mixed>  $story */
    private function client(Clinic $clinic, array $story): void
    {
        $who = $story['who'];
        $client = Client::query()->create([
            ...$who, 'clinic_id' => $clinic->id,
            'born_on' => $this->now->subYears($story['age'])->subDays(20 + crc32($who['name']) % 300)->format('Y-m-d'),
            'search' => Client::foundBy($who['name'], $who['code'], $who['phone'] ?? null),
        ]);
        $client->contacts()->createMany($story['contacts'] ?? []);
        foreach ($story['visits'] ?? [] as $number => $visit) {
            $this->visit($client, $number + 1, $visit);
        }
        if (isset($story['today'])) {
            Appointment::query()->create([
                'clinic_id' => $clinic->id, 'client_id' => $client->id, 'user_id' => $this->therapist->id,
                'minutes' => $story['today']['minutes'],
                'starts_at' => $this->now->startOfDay()->setTimeFromTimeString($story['today']['at']),
                'reason' => $story['today']['reason'], 'status' => $story['today']['status'] ?? 'booked',
            ]);
        }
        $this->booked($client, $story['next'] ?? []);
        if (isset($story['waits'])) {
            Waiting::query()->create(['clinic_id' => $clinic->id, 'client_id' => $client->id, ...$story['waits']]);
        }
    }

    /**
     * What is booked from now on.
     *
     * @param  list<array{weeks: int, day: int, at: string, minutes: int, times?: int, every?: int, second?: bool}>  $booked weeks from this
     *         one, and days from its Monday
     */
    private function booked(Client $client, array $booked): void
    {
        foreach ($booked as $one) {
            $first = $this->now->startOfWeek()->addWeeks($one['weeks'])->addDays($one['day'])->setTimeFromTimeString($one['at']);
            $times = $one['times'] ?? 1;
            $series = $times > 1 ? Str::lower((string) Str::ulid()) : null;
            for ($k = 0; $k < $times; $k++) {
                Appointment::query()->create([
                    'clinic_id' => $client->clinic_id, 'client_id' => $client->id,
                    'user_id' => ($one['second'] ?? false) ? $this->second->id : $this->therapist->id, 'minutes' => $one['minutes'],
                    'starts_at' => $first->addWeeks($k * ($one['every'] ?? 1)), 'series' => $series,
                ]);
            }
        }
    }

    /** @param  array<string, mixed>  $told */
    private function visit(Client $client, int $number, array $told): void
    {
        // before half past ten in the morning, a visit of today has only just begun
        $start = $this->now->startOfDay()->subDays($told['days_ago'])->setTime(10, 30)->min($this->now);
        $appointment = $told['days_ago'] < 1 ? null : Appointment::query()->create([
            'clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'user_id' => $this->therapist->id, 'minutes' => 60,
            'starts_at' => $start, 'status' => 'done',
        ]);
        $visit = $client->visits()->create([
            'clinic_id' => $client->clinic_id, 'user_id' => $this->therapist->id, 'number' => $number, 'status' => VisitStatus::Open,
            'appointment_id' => $appointment?->id, 'minutes' => 60, 'last_step' => 'after', 'started_at' => $start,
        ]);
        foreach ($this->core->rules()->flags->flags as $flag => $about) {
            if ($about['every_visit'] || $number === 1 || $told['days_ago'] < 1) {
                $this->keep($visit, EntryKind::RedFlag, $told['flags'][$flag] ?? 'no', $flag);
            }
        }
        foreach (QuestionGroups::ids($this->core) as $group) {
            if ($group !== 'red_flags_other' || $number === 1 || $told['days_ago'] < 1) {
                $this->keep($visit, EntryKind::GroupAsked, true, $group);
            }
        }
        foreach ($told['entries'] as $kind => $payloads) {
            foreach ($payloads as $identity => $payload) {
                $this->keep($visit, EntryKind::from($kind), $this->dated($payload), is_string($identity) ? $identity : null);
            }
        }
        foreach ($told['after'] ?? [] as $kind => $payloads) {
            foreach ($payloads as $payload) {
                $this->keep($visit, EntryKind::from($kind), $payload, null, 'after');
            }
        }
        foreach ($told['done'] ?? [] as $index => $done) {
            $this->work($visit, sprintf('s%02d', $index + 1), $start->addMinutes(20 + 9 * $index), $done);
        }
        $this->judgements->of($visit, 'safety', 'pattern', 'response');
        if (isset($told['note'])) {
            $this->sign->handle($visit, $this->therapist, [
                'happened' => $told['note']['happened'], 'advice' => $told['note']['advice'] ?? '',
                'next_time' => $told['note']['next_time'] ?? '',
            ], (string) Str::ulid(), $start->addMinutes(65));
        }
    }

    private function keep(Visit $visit, EntryKind $kind, mixed $payload, ?string $identity, string $phase = 'before'): void
    {
        $name = $kind->nameOf($payload, $identity);
        $faults = $this->check->faults($kind, $name, $payload, $this->therapist->licensed, $visit->started_at->format('Y-m-d'));
        if ($faults !== []) {
            throw new \LogicException("demo story, {$kind->value} $name: ".implode(' ', $faults));
        }
        $this->save->handle($visit, $this->therapist, $kind, $phase, $name, $payload, 0, $visit->started_at->format('Y-m-d'));
    }

    /**
     * `since` and `by` are authored as days before today.
     */
    private function dated(mixed $payload): mixed
    {
        foreach (['since', 'by'] as $day) {
            if (is_array($payload) && is_int($payload[$day] ?? null)) {
                $payload[$day] = $this->now->subDays($payload[$day])->format('Y-m-d');
            }
        }

        return $payload;
    }

    /**
     * @param  array{0: string, 1: string, 2: string, 3: string, 4: list<float|int>, 5?: list<string>}  $done muscle, side, technique, tool,
     * pressures, signs
     */
    private function work(Visit $visit, string $step, CarbonImmutable $at, array $done): void
    {
        [$muscle, $side, $technique, $tool, $pressures] = $done;
        $scale = $this->core->atlas()->muscle($muscle)->pptKpa / 7.5;
        $this->event($visit, 'step_started', $step, $at, ['muscle' => $muscle, 'side' => $side]);
        foreach ($pressures as $pass => $pressure) {
            $this->event(
                $visit, 'pass_reached', $step, $at->addSeconds(100 * ($pass + 1)),
                ['pressure' => $pressure, 'seconds' => 90, 'tissue_kpa' => round($pressure * $scale, 1)],
            );
        }
        foreach ($done[5] ?? [] as $sign) {
            $this->event($visit, 'sign', $step, $at->addSeconds(250), ['sign' => $sign]);
        }
        $this->event($visit, 'step_done', $step, $at->addMinutes(8), ['seconds' => 480, 'technique' => $technique, 'tool' => $tool]);
    }

    /** @param  array<string, mixed>  $payload */
    private function event(Visit $visit, string $type, string $step, CarbonImmutable $at, array $payload): void
    {
        TreatmentEvent::query()->create([
            'id' => Str::ulid($at)->toString(), 'visit_id' => $visit->id, 'user_id' => $this->therapist->id, 'type' => $type,
            'step' => $step, 'payload' => $payload,
            'device' => $this->device, 'number' => ++$this->events, 'happened_at' => $at, 'received_at' => $at,
        ]);
    }
}
