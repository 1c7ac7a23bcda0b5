<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CheckInAnswers;
use App\Cases\Judgements;
use App\Cases\TreatmentSummary;
use App\Models\CheckIn;
use App\Models\Entry;
use App\Models\Note;
use App\Models\Visit;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Gate;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\SimulatedDevices;

/** What the pages of a visit need: the record so far, and the judgements that belong to the step. */
final readonly class VisitPage
{
    private const JUDGED = [
        'ask' => ['safety', 'response'], 'screen' => ['safety'], 'move' => ['safety', 'assessment', 'pattern'], 'feel' => ['safety', 'assessment', 'pattern'], 'think' => ['safety', 'chains', 'pattern'],
        'agree' => ['safety', 'plan'], 'plan' => ['safety', 'plan', 'response'], 'work' => ['safety'], 'recheck' => ['safety', 'response'], 'after' => ['safety', 'response'],
    ];

    public function __construct(private Judgements $judgements, private TreatmentSummary $treatment, private CheckInAnswers $answers, private ScopePage $scope, private Clinic $clinic)
    {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit, string $step): array
    {
        $visit->loadMissing('client', 'user.clinic');
        $entries = $visit->entries()->get();
        $agreed = $visit->plans()->latest('id')->first();
        $events = $step === 'work' ? $visit->events()->orderBy('happened_at')->orderBy('id')->get(['id', 'type', 'step', 'payload', 'happened_at']) : null;

        return [
            'visit' => [
                'id' => $visit->public_id, 'number' => $visit->number, 'status' => $visit->status->value, 'minutes' => $visit->minutes,
                'date' => $visit->day(), 'step' => $step, 'writable' => Gate::allows('update', $visit),
            ],
            'client' => $this->client($visit),
            'entries' => $entries->map(self::entry(...))->values(),
            'standing' => in_array($step, ['ask', 'screen'], true) ? $this->standing($visit) : [],
            ...$this->judged($visit, $step, $entries, $agreed !== null),
            'agreed' => $agreed === null ? null : ['id' => $agreed->id, 'at' => $agreed->agreed_at->toIso8601String(), 'plan' => $agreed->document],
            'events' => $events,
            ...in_array($step, ['recheck', 'after'], true) ? $this->treatment->record($visit->id) : ['done' => [], 'signs' => []],
            'notes' => $step === 'after' ? $this->notes($visit) : [],
            'may_correct' => $step === 'after' && Gate::allows('correct', $visit),
            'may_countersign' => $step === 'after' && Gate::allows('countersign', $visit),
            'before' => in_array($step, ['ask', 'move', 'feel'], true) ? $this->before($visit) : null,
            'devices' => in_array($step, ['move', 'feel'], true) ? $this->devices($visit) : [],
            'off_here' => $step === 'plan' ? $this->scope->off($visit->user->clinic) : [],
            'check_in' => in_array($step, ['ask', 'screen'], true) ? $this->checkIn($visit) : null,
        ];
    }

    /** @return Collection<int, Note> every revision, with who vouched for it */
    private function notes(Visit $visit): Collection
    {
        return $visit->notes()->leftJoin('users', 'users.id', '=', 'notes.countersigned_by')->orderBy('revision')
            ->get(['revision', 'happened', 'advice', 'next_time', 'reason', 'signed_at', 'needs_countersign', 'countersigned_at', 'users.name as countersigner']);
    }

    /** @return array<string, array{address: string, simulated: bool}> where each measuring device answers */
    private function devices(Visit $visit): array
    {
        $devices = [];
        foreach (SimulatedDevices::names() as $device) {
            $address = config("somatrace.devices.$device");
            $devices[$device] = is_string($address) && $address !== ''
                ? ['address' => $address, 'simulated' => false]
                : ['address' => route('visits.device', [$visit, $device], false), 'simulated' => true];
        }

        return $devices;
    }

    /**
     * The judgements of a step and the visit line.
     *
     * @param  Collection<int, Entry>|null  $entries
     * @return array<string, mixed>
     */
    public function judged(Visit $visit, string $step, ?Collection $entries = null, ?bool $agreed = null): array
    {
        $entries ??= $visit->entries()->get();
        $judged = $this->judgements->of($visit, ...self::JUDGED[$step]);
        $agreed ??= $visit->plans()->exists();
        $standing = $entries->filter(static fn (Entry $entry): bool => $entry->payload !== null);

        return [
            ...$judged,
            'line' => VisitLine::of($visit, $standing, $judged['safety'], $judged['plan'] ?? null, $agreed, $agreed ? $visit->events()->where('type', 'step_done')->count() : 0),
        ];
    }

    /** @return array<string, mixed> */
    public static function entry(Entry $entry): array
    {
        return ['kind' => $entry->kind->value, 'phase' => $entry->phase, 'identity' => $entry->identity, 'payload' => $entry->payload, 'revision' => $entry->revision, 'said_on' => $entry->said_on];
    }

    /** @return array<string, mixed> */
    private function client(Visit $visit): array
    {
        $client = $visit->client;
        $age = (int) $client->born_on->diffInYears($visit->started_at);

        return [
            'id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation,
            'hand' => $client->hand, 'age' => $age, 'guardian' => $age < $this->clinic->rules()->guardianAge ? $client->guardian_name ?? '' : null, 'words' => Words::of($client),
        ];
    }

    /**
     * Answers of earlier visits that still stand: shown as such, with their day.
     *
     * @return list<array<string, mixed>>
     */
    private function standing(Visit $visit): array
    {
        return array_values(Entry::query()->join('visits', 'visits.id', '=', 'entries.visit_id')->where('visits.client_id', $visit->client_id)->where('visits.number', '<', $visit->number)
            ->whereIn('kind', ['red_flag', 'condition', 'medicine', 'others_denied', 'demand'])->orderBy('visits.number')->get('entries.*')
            ->keyBy(static fn (Entry $entry): string => $entry->kind->value.'|'.$entry->identity)
            ->filter(static fn (Entry $entry): bool => $entry->payload !== null)
            ->map(self::entry(...))->all());
    }

    /**
     * What the client answered alone before this visit.
     *
     * @return array{at: string, taken: bool, raised: list<array{answer: string, words: string}>}|null
     */
    private function checkIn(Visit $visit): ?array
    {
        $checkIn = CheckIn::query()->where('client_id', $visit->client_id)->whereNotNull('sent_at')
            ->where(static fn (Builder $query): Builder => $query->whereNull('visit_id')->orWhere('visit_id', $visit->id))->latest('sent_at')->first();

        return $checkIn === null || $checkIn->sent_at === null ? null : [
            'at' => $checkIn->sent_at->setTimezone($visit->user->clinic->timezone)->format('j M, H:i'), 'taken' => $checkIn->visit_id !== null, 'raised' => $this->answers->raised($checkIn->answers),
        ];
    }

    /** @return array<string, mixed>|null what the last visit recorded, beside today's */
    private function before(Visit $visit): ?array
    {
        $last = $visit->earlier()->latest('number')->first();
        if ($last === null) {
            return null;
        }

        return [
            'number' => $last->number, 'date' => $visit->user->clinic->day($last->started_at),
            'entries' => $last->entries()->whereIn('kind', ['complaint', 'function', 'range', 'resisted', 'test', 'palpation', 'posture'])->get()->filter(static fn (Entry $entry): bool => $entry->payload !== null)->map(self::entry(...))->values(),
            'done' => $this->treatment->doneByVisit([$last->id])[$last->id] ?? [],
            'next_time' => $last->notes()->latest('revision')->value('next_time'),
        ];
    }
}
