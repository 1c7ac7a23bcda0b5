<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Actions\TableConsent;
use App\Cases\CheckInAnswers;
use App\Cases\Course;
use App\Cases\Diary;
use App\Cases\HandLoad;
use App\Cases\Judgements;
use App\Cases\RunningTreatment;
use App\Cases\SoundRecords;
use App\Cases\TableEvents;
use App\Cases\TreatmentSummary;
use App\Cases\VisitNote;
use App\Models\CheckBackMail;
use App\Models\CheckIn;
use App\Models\Entry;
use App\Models\EntryKind;
use App\Models\Note;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Gate;
use Somatrace\Core\Anatomy\CautionKind;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\Clinic;
use Somatrace\Core\Record\Part;
use Somatrace\Core\Simulation\SimulatedDevices;

/** What the pages of a visit need: the record so far, and the judgements that belong to the step. */
final readonly class VisitPage
{
    private const JUDGED = [
        'ask' => ['safety', 'response'], 'screen' => ['safety'], 'move' => ['safety', 'assessment', 'pattern'],
        'feel' => ['safety', 'assessment', 'pattern'], 'think' => ['safety', 'chains', 'pattern'],
        'agree' => ['safety', 'plan'], 'plan' => ['safety', 'plan', 'response'], 'work' => ['safety', 'response'],
        'recheck' => ['safety', 'response'], 'after' => ['safety', 'response'],
    ];

    /** Steps on which the last visit stands beside this one, and what of it. */
    private const BESIDE = ['ask', 'move', 'feel', 'agree', 'plan'];

    private const COMPARED = [
        'complaint', 'function', 'range', 'resisted', 'test', 'palpation', 'posture', 'home_care', 'positions', 'target',
    ];

    /** Steps on which the agreed plan itself is read. */
    private const ALONG_THE_PLAN = ['plan', 'work', 'recheck'];

    /** Nobody is asked how it was so long after. */
    private const ASKED_BACK_DAYS = 14;

    private const ANSWERS = ['red_flag', 'red_flag_since', 'condition', 'medicine', 'group_asked', 'demand'];

    public function __construct(
        private Judgements $judgements,
        private TreatmentSummary $treatment,
        private CheckInAnswers $answers,
        private ScopePage $scope,
        private Clinic $clinic,
        private SoundRecords $sound,
        private HandLoad $hands,
        private TableConsent $consent,
        private RunningTreatment $running,
        private VisitNote $note,
        private Diary $diary,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit, string $step): array
    {
        $course = Course::of($visit, $this->sound, $this->hands);
        $before = in_array($step, self::BESIDE, true) ? $course->before() : null;
        // what is written meanwhile may be newer than what is judged of it, and never the other way round
        $judged = $this->judgements->along($course, $visit, ...self::judgedOn($step, $visit));
        [$entries, $last, $standing] = $this->entries($visit, $course, $before, in_array($step, ['ask', 'screen'], true));
        $agreed = $course->isAgreed() && in_array($step, self::ALONG_THE_PLAN, true) ? $visit->plans()->latest('id')->first() : null;
        $notes = $step === 'after' ? $this->notes($visit) : [];
        $events = $step === 'work' ? TableEvents::told($visit->id) : null;

        return [
            'visit' => [
                'id' => $visit->public_id, 'number' => $visit->number, 'status' => $visit->status->value, 'minutes' => $visit->minutes,
                'date' => $visit->day(), 'step' => $step, 'origin' => $visit->origin, 'writable' => Gate::allows('update', $visit),
            ],
            'client' => $this->client($visit),
            'entries' => $entries->map(self::entry(...))->values(),
            'standing' => $standing,
            ...$this->told($visit, $judged, $entries, $course),
            'agreed' => $agreed === null
                ? null
                : ['id' => $agreed->id, 'at' => $agreed->agreed_at->toIso8601String(), 'plan' => self::plan($agreed->document)],
            'events' => $events,
            'minutes_left' => $step === 'plan' && $course->isTreated() ? $this->running->of($visit)['now']['minutes_left'] ?? null : null,
            'tableside' => $step === 'work' && $agreed !== null ? $this->tableside($agreed->document) : null,
            'taken_back' => $step === 'work' ? $this->consent->standing($visit) : null,
            'unreadable' => $course->cannotBeRead() ? $this->sound->unreadable($visit->id) : [],
            ...in_array($step, ['recheck', 'after'], true) ? $this->treatment->record($visit) : ['done' => [], 'signs' => []],
            'notes' => $notes,
            'next' => $step === 'after'
                ? $this->next($visit, ($judged['note'] ?? $notes[count($notes) - 1]['note'] ?? [])['next'] ?? null)
                : null,
            'check_back' => $step === 'after' ? $this->checkBack($visit) : null,
            'may_correct' => $step === 'after' && Gate::allows('correct', $visit),
            'may_countersign' => $step === 'after' && Gate::allows('countersign', $visit),
            'before' => $before === null ? null : $this->before($visit, $before, $last, $step === 'ask'),
            'devices' => (object) (in_array($step, ['move', 'feel'], true) ? $this->devices($visit) : []),
            'school' => (object) ($step === 'plan' ? [...$this->clinic->schoolDefaults(), ...$visit->user->school()] : []),
            'prefers' => (object) ($step === 'plan' ? $visit->user->settings['prefers'] ?? [] : []),
            'off_here' => $step === 'plan' ? $this->scope->off($visit->user->clinic) : [],
            'check_in' => $course->isCheckedIn() && in_array($step, ['ask', 'screen'], true) ? $this->checkIn($visit) : null,
        ];
    }

    /**
     * @return array{email: string|null, mails: list<array{at: string, sent: bool}>}|null how the client is asked afterwards, once it is
     *         over
     */
    private function checkBack(Visit $visit): ?array
    {
        if ($visit->status === VisitStatus::Open || $visit->started_at < now()->subDays(self::ASKED_BACK_DAYS)) {
            return null;
        }
        $zone = $visit->user->clinic->timezone;

        return [
            'email' => $visit->client->email,
            'mails' => array_values(CheckBackMail::query()->where('visit_id', $visit->id)->orderBy('hours')->get()->map(
                static fn (CheckBackMail $mail): array => [
                    'at' => $visit->user->clinic->dateWords($mail->due_at->setTimezone($zone), true), 'sent' => $mail->sent_at !== null,
                ],
            )->all()),
        ];
    }

    /**
     * @param  array{days: int|null, minutes: int|null, reason: string, because: string}|null  $proposed  as it is judged, or was signed
     * @return array<string, mixed>|null when to come again, where the diary has room then, and what is booked; null of an older record
     */
    private function next(Visit $visit, ?array $proposed): ?array
    {
        if ($proposed === null) {
            return null;
        }
        $visit->people();
        $wished = $proposed['days'] === null || ! Gate::allows('update', $visit->client)
            ? null
            : $visit->started_at->addDays($proposed['days']);

        return [
            ...$proposed,
            ...$this->diary->beside(
                $visit->user, $visit->client, $wished, $proposed['minutes'] ?? $visit->minutes, CarbonImmutable::now(),
            ),
        ];
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    private function tableside(array $plan): array
    {
        $tables = $this->clinic->tableside()->of($plan);

        return [
            ...$tables, 'ceilings' => (object) $tables['ceilings'], 'firm_from' => $this->clinic->firmFrom(),
            'parts' => array_map(static fn (Tool $tool): string => $tool->costs, $this->clinic->atlas()->tools),
        ];
    }

    /** @return list<array<string, mixed>> every revision, with who vouched for it */
    private function notes(Visit $visit): array
    {
        $notes = $visit->notes()->leftJoin('users', 'users.id', '=', 'notes.countersigned_by')
            ->leftJoin('note_remarks', static fn (JoinClause $on) => $on
                ->on('note_remarks.visit_id', '=', 'notes.visit_id')->on('note_remarks.revision', '=', 'notes.revision'))
            ->leftJoin('users as giver', 'giver.id', '=', 'note_remarks.user_id')->orderBy('notes.revision')
            ->get([
                'notes.revision', 'happened', 'advice', 'next_time', 'reason', 'results', 'signed_at', 'needs_countersign',
                'countersigned_at', 'users.name as countersigner', 'note_remarks.words as back', 'giver.name as back_by',
            ]);

        return array_values($notes->map(static fn (Note $note): array => [
            ...array_diff_key($note->toArray(), ['results' => true]), 'note' => $note->results['note'] ?? null,
        ])->all());
    }

    /**
     * @return array<string, array{address: string, simulated: bool}> where each measuring device answers; the stand-in that ships answers
     * in a demo only
     */
    private function devices(Visit $visit): array
    {
        $devices = [];
        foreach (SimulatedDevices::names() as $device) {
            $address = config("somatrace.devices.$device");
            if (is_string($address) && $address !== '') {
                $devices[$device] = ['address' => $address, 'simulated' => false];
            } elseif ($visit->user->clinic->demo) {
                $devices[$device] = ['address' => route('visits.device', [$visit, $device], false), 'simulated' => true];
            }
        }

        return $devices;
    }

    /** @return list<'safety'|'assessment'|'chains'|'pattern'|'plan'|'response'|'note'> what was signed is not composed again */
    private static function judgedOn(string $step, Visit $visit): array
    {
        return [...self::JUDGED[$step], ...$step === 'after' && ! $visit->isSigned() ? ['note'] : []];
    }

    /**
     * The judgements of a step and the visit line.
     *
     * @return array<string, mixed>
     */
    public function judged(Visit $visit, string $step): array
    {
        $course = Course::of($visit, $this->sound, $this->hands);
        $judged = $this->judgements->along($course, $visit, ...self::judgedOn($step, $visit));

        return $this->told($visit, $judged, $visit->readable()->get(), $course);
    }

    /**
     * @param  array<string, array<string, mixed>>  $judged
     * @param  Collection<int, Entry>  $entries
     * @return array<string, mixed>
     */
    private function told(Visit $visit, array $judged, Collection $entries, Course $course): array
    {
        $standing = $entries->filter(static fn (Entry $entry): bool => $entry->payload !== null);

        return [
            ...$judged, ...isset($judged['plan']) ? ['plan' => self::plan($judged['plan'])] : [],
            ...isset($judged['note']) ? [
                'note' => $this->note->changed($judged['note'], $entries), 'home' => $judged['note']['home'] ?? [],
                'home_choices' => $judged['note']['home_choices'] ?? [],
            ] : [],
            'line' => VisitLine::of(
                $visit, $standing, $judged['safety'], $judged['plan'] ?? null, $course->isAgreed(), $course->stepsDone(),
            ),
        ];
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed> an empty map that was stored comes back as a list, and is none
     */
    private static function plan(array $document): array
    {
        return [
            ...$document, 'therapist_load' => (object) $document['therapist_load'],
            'steps' => array_map(self::step(...), $document['steps']),
        ];
    }

    /**
     * @param  array<string, mixed>  $step
     * @return array<string, mixed> a step as it is told today; one that was agreed before its parts were told apart had them in sentences
     */
    private static function step(array $step): array
    {
        if (! isset($step['watch'])) {
            return $step;
        }
        $cautions = array_map(
            static fn (string $text): array => ['kind' => CautionKind::Safety->value, 'id' => '', 'text' => $text], $step['watch'],
        );

        return [
            ...array_diff_key($step, ['watch' => true]), 'cautions' => $cautions,
            'find' => $step['find'] === '' ? [] : explode(' → ', $step['find']),
        ];
    }

    /** @return array<string, mixed> */
    public static function entry(Entry $entry): array
    {
        return [
            'kind' => $entry->kind->value, 'phase' => $entry->phase, 'identity' => $entry->identity, 'payload' => $entry->payload,
            'revision' => $entry->revision, 'said_on' => $entry->said_on,
        ];
    }

    /** @return array<string, mixed> */
    private function client(Visit $visit): array
    {
        $client = $visit->client;
        $age = (int) $client->born_on->diffInYears($visit->started_at);

        return [
            'id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation,
            'hand' => $client->hand, 'age' => $age,
            'guardian' => $age < $this->clinic->rules()->guardianAge ? $client->guardian_name ?? '' : null, 'words' => Words::of($client),
        ];
    }

    /**
     * This visit's entries, those of the last one that stand beside them, and the answers of earlier ones that still stand, with their day:
     * read in one go.
     *
     * @return array{Collection<int, Entry>, list<array<string, mixed>>, list<array<string, mixed>>}
     */
    private function entries(Visit $visit, Course $course, ?\stdClass $before, bool $answers): array
    {
        $earlier = $course->earlier();
        $elsewhere = $course->elsewhere();
        $place = array_flip($earlier);
        $all = Entry::query()->whereNull('fault')->where(static fn (Builder $query): Builder => $query
            ->where('visit_id', $visit->id)
            ->when($before !== null, static fn (Builder $of): Builder => $of->orWhere(
                static fn (Builder $last): Builder => $last->where('visit_id', $before?->id)->whereIn('kind', self::COMPARED),
            ))
            ->when($answers, static fn (Builder $of): Builder => $of->orWhere(
                static fn (Builder $last): Builder => $last->whereIn('visit_id', $earlier)->whereIn('kind', self::ANSWERS),
            )))->get();
        $stands = $all->filter(static fn (Entry $entry): bool => $entry->payload !== null && $entry->visit_id !== $visit->id);
        $compared = $stands->filter(
            static fn (Entry $entry): bool => $entry->visit_id === (int) $before?->id
                && in_array($entry->kind->value, self::COMPARED, true),
        );
        $answered = $stands
            ->filter(
                static fn (Entry $entry): bool => in_array($entry->kind->value, self::ANSWERS, true)
                    && ! (in_array($entry->visit_id, $elsewhere, true) && self::denies($entry)),
            )
            ->sortBy(static fn (Entry $entry): int => $place[$entry->visit_id])
            ->keyBy(static fn (Entry $entry): string => $entry->kind->value.'|'.$entry->identity);

        return [
            $all->where('visit_id', $visit->id)->values(),
            array_values($compared->map(self::entry(...))->all()),
            $answers ? array_values($answered->map(self::entry(...))->all()) : [],
        ];
    }

    /** What was denied to somebody else is asked again here (CaseAssembler). */
    private static function denies(Entry $entry): bool
    {
        return $entry->payload === 'no'
            || $entry->kind === EntryKind::GroupAsked
            || (is_array($entry->payload) && ($entry->payload['answer'] ?? null) === 'no');
    }

    /**
     * What the client answered alone before this visit.
     *
     * @return array{at: string, taken: bool, raised: list<array{answer: string, words: string}>}|null
     */
    private function checkIn(Visit $visit): ?array
    {
        $checkIn = CheckIn::before($visit)->latest('sent_at')->first();

        return $checkIn === null || $checkIn->sent_at === null ? null : [
            'at' => $visit->user->clinic->dateWords($checkIn->sent_at, true),
            'taken' => $checkIn->visit_id !== null, 'raised' => $this->answers->raised($checkIn->answers),
        ];
    }

    /**
     * What the last visit recorded, beside today's.
     *
     * @param  list<array<string, mixed>>  $entries
     * @return array<string, mixed>
     */
    private function before(Visit $visit, \stdClass $last, array $entries, bool $toLookAt): array
    {
        return [
            'number' => (int) $last->number, 'date' => $visit->user->clinic->day(CarbonImmutable::parse((string) $last->started_at, 'UTC')),
            'entries' => $entries,
            'done' => $this->treatment->doneByVisit([(int) $last->id])[(int) $last->id] ?? [],
            'to_look_at' => $toLookAt ? $this->toLookAt((int) $last->id) : [],
            'home_care' => array_column(array_filter(
                $entries, static fn (array $one): bool => $one['kind'] === EntryKind::HomeCare->value,
            ), 'payload'),
        ];
    }

    /** @return list<string> what the note of a visit leaves for the next one: the therapist's own words first */
    private function toLookAt(int $visit): array
    {
        $note = Note::query()->where('visit_id', $visit)->latest('revision')->first(['next_time', 'results']);
        $parts = array_column($note->results['note']['parts'] ?? [], 'sentences', 'id');
        $composed = array_filter($parts[Part::Next->value] ?? [], static fn (array $one): bool => $one['id'] !== 'next.visit');

        return array_values(array_filter([trim((string) $note?->next_time), ...array_column($composed, 'text')]));
    }
}
