<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\CheckIn;
use App\Models\User;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;

/**
 * Who of a clinic needs a thought: whose course does not get better, who worries or does not answer between visits, who is due and not
 * booked, whom one has lost sight of, and what is not signed.
 *
 * @phpstan-type Row array{client: string, name: string, text: string, since: string, visit?: string|null}
 */
final readonly class Caseload
{
    public const MOST = 40;

    /** A course that nobody has looked after for so long is no longer running. */
    public const RUNNING_DAYS = 120;

    /** Due: so many days before the day that was proposed, and after it; from then on they are to be called back. */
    private const AHEAD_DAYS = 7;

    private const OVERDUE_DAYS = 21;

    /** Nobody is called back after a year. */
    private const RECALL_DAYS = 365;

    /** A check-back that nobody answered for so long is missing; after that it will not come. */
    private const UNANSWERED_HOURS = 48;

    private const UNANSWERED_DAYS = 14;

    private const STUCK = ['refer', 'reassess'];

    public function __construct(private CheckInAnswers $checkIns, private Clinic $clinic)
    {
    }

    /**
     * @param  int|null  $by  whose last visit it was: number of a therapist
     * @return list<Row> courses that do not get better, those to send on first
     */
    public function stuck(User $user, ?int $by, CarbonImmutable $now): array
    {
        $rows = DB::table('judgements')->join('visits', 'visits.id', '=', 'judgements.visit_id')
            ->join('clients', 'clients.id', '=', 'visits.client_id')
            ->where('clients.clinic_id', $user->clinic_id)->whereNull('clients.archived_at')
            ->where('clients.last_seen_at', '>', $now->subDays(self::RUNNING_DAYS)->utc())
            ->where('judgements.kind', 'response')->whereIn('judgements.decision', self::STUCK)
            ->whereRaw('visits.number = (select max(number) from visits later where later.client_id = visits.client_id)')
            ->when($by !== null, static fn (Builder $of): Builder => $of->where('visits.user_id', $by))
            ->orderByRaw("judgements.decision = 'refer' desc")->orderBy('clients.last_seen_at')->limit(self::MOST)
            ->selectRaw("clients.public_id, clients.name, visits.started_at, json_extract(document, '$.course.because') as because")
            ->get();

        return array_values($rows->map(static fn (\stdClass $one): array => [
            'client' => $one->public_id, 'name' => $one->name, 'text' => (string) $one->because,
            'since' => self::day((string) $one->started_at, $user),
        ])->all());
    }

    /**
     * @return list<array{client: string, name: string, kind: 'worrying'|'sore', text: string, since: string}> answers nobody has taken up
     *         yet that say something that must not wait, what worries first
     */
    public function answered(User $user, ?int $by = null): array
    {
        $backs = CheckIn::query()->with('client')->where('clinic_id', $user->clinic_id)
            ->whereNotNull('after_visit_id')->whereNotNull('sent_at')->whereNull('visit_id')
            ->when($by !== null, static fn ($of) => $of->whereRelation('after', 'user_id', $by))
            ->latest('sent_at')->limit(self::MOST)->get();
        $told = [];
        foreach ($backs as $back) {
            $worrying = $this->checkIns->worrying($back->answers);
            $after = $back->answers['after'] ?? [];
            $said = match (true) {
                $worrying !== [] => ['worrying', __('After the last visit: :what. Ring today.', ['what' => implode('; ', $worrying)])],
                ($after['worse'] ?? false) === true => ['sore', __('It was worse after the last visit. Lighter and shorter next time.')],
                (float) ($after['soreness_hours'] ?? 0) > $this->clinic->responseFigures()->regressHours
                    => ['sore', __('Sore for longer than two days. Lighter and shorter next time.')],
                default => null,
            };
            if ($said !== null) {
                $told[] = [
                    'client' => $back->client->public_id, 'name' => $back->client->name, 'kind' => $said[0], 'text' => $said[1],
                    'since' => self::day((string) $back->sent_at, $user),
                ];
            }
        }
        usort(
            $told, static fn (array $a, array $b): int => [$a['kind'] === 'worrying' ? 0 : 1, $a['name']]
                <=> [$b['kind'] === 'worrying' ? 0 : 1, $b['name']],
        );

        return $told;
    }

    /** @return list<Row> who was asked how it was and has not answered */
    public function unanswered(User $user, ?int $by, CarbonImmutable $now): array
    {
        $rows = DB::table('check_ins')->join('clients', 'clients.id', '=', 'check_ins.client_id')
            ->join('visits', 'visits.id', '=', 'check_ins.after_visit_id')
            ->where('check_ins.clinic_id', $user->clinic_id)->whereNull('check_ins.sent_at')->whereNull('clients.archived_at')
            ->whereBetween('check_ins.created_at', [
                $now->subDays(self::UNANSWERED_DAYS)->utc(), $now->subHours(self::UNANSWERED_HOURS)->utc(),
            ])
            ->whereRaw('visits.number = (select max(number) from visits later where later.client_id = visits.client_id)')
            ->whereNotExists(static fn (Builder $of) => $of->from('check_ins', 'other')->whereNotNull('other.sent_at')
                ->whereColumn('other.after_visit_id', 'check_ins.after_visit_id'))
            ->when($by !== null, static fn (Builder $of): Builder => $of->where('visits.user_id', $by))
            ->groupBy('clients.id')->orderBy('asked')->limit(self::MOST)
            ->selectRaw('clients.public_id, clients.name, min(check_ins.created_at) as asked')->get();

        return array_values($rows->map(static fn (\stdClass $one): array => [
            'client' => $one->public_id, 'name' => $one->name, 'text' => __('Asked how it was, and no answer yet.'),
            'since' => self::day((string) $one->asked, $user),
        ])->all());
    }

    /**
     * @return array{due: list<Row>, recall: list<Row>} who should come again about now and is not booked, the longest due first; and who
     *         should have come long ago
     */
    public function due(User $user, ?int $by, CarbonImmutable $now): array
    {
        $today = $now->setTimezone($user->clinic->timezone)->startOfDay();
        $rows = DB::table('clients')->where('clinic_id', $user->clinic_id)->whereNull('archived_at')
            ->whereBetween('due_on', [
                $today->subDays(self::RECALL_DAYS)->format('Y-m-d'), $today->addDays(self::AHEAD_DAYS)->format('Y-m-d'),
            ])
            ->whereNotExists(static fn (Builder $of) => $of->from('appointments')->whereColumn('appointments.client_id', 'clients.id')
                ->where('appointments.starts_at', '>=', $today->utc())->whereIn('appointments.status', ['booked', 'arrived']))
            ->whereNotExists(static fn (Builder $of) => $of->from('visits')->whereColumn('visits.client_id', 'clients.id')
                ->where('visits.status', VisitStatus::Open->value))
            ->when($by !== null, static fn (Builder $of): Builder => $of->whereRaw(
                '(select user_id from visits where visits.client_id = clients.id order by number desc limit 1) = ?', [$by],
            ))
            ->orderByDesc('due_on')->limit(2 * self::MOST)->get(['public_id', 'name', 'due_on', 'phone']);
        $late = $today->subDays(self::OVERDUE_DAYS)->format('Y-m-d');
        $all = $rows->map(static fn (\stdClass $one): array => [
            'client' => (string) $one->public_id, 'name' => (string) $one->name, 'since' => (string) $one->due_on,
            'text' => $one->phone === null ? __('No telephone number.') : (string) $one->phone,
        ]);

        return [
            'due' => array_values($all->filter(static fn (array $one): bool => $one['since'] >= $late)->reverse()->take(self::MOST)->all()),
            'recall' => array_values($all->filter(static fn (array $one): bool => $one['since'] < $late)->take(self::MOST)->all()),
        ];
    }

    /** @return list<Row> visits that were begun before today and neither signed nor stopped, oldest first */
    public function unsigned(User $user, ?int $by, CarbonImmutable $now): array
    {
        $rows = DB::table('visits')->join('clients', 'clients.id', '=', 'visits.client_id')
            ->join('users', 'users.id', '=', 'visits.user_id')
            ->where('visits.clinic_id', $user->clinic_id)
            ->whereRaw("visits.status = 'open'") // written out, so that the index of the few that are open is used
            ->where('visits.started_at', '<', $now->setTimezone($user->clinic->timezone)->startOfDay()->utc())
            ->when($by !== null, static fn (Builder $of): Builder => $of->where('visits.user_id', $by))
            ->orderBy('visits.started_at')->limit(self::MOST)
            ->get([
                'clients.public_id as client', 'clients.name', 'visits.public_id as visit', 'visits.number', 'visits.started_at',
                'users.name as by',
            ]);

        return array_values($rows->map(static fn (\stdClass $one): array => [
            'client' => $one->client, 'name' => $one->name, 'visit' => $one->visit,
            'text' => __('Visit :number, :name, is not signed.', ['number' => $one->number, 'name' => $one->by]),
            'since' => self::day((string) $one->started_at, $user),
        ])->all());
    }

    /**
     * @return list<array{visit: string, client: string, by: string}> notes that wait for a second name, those of one's own students first
     */
    public function countersign(User $user): array
    {
        $rows = DB::table('notes')
            ->join('visits', 'visits.id', '=', 'notes.visit_id')
            ->join('clients', 'clients.id', '=', 'visits.client_id')
            ->join('users', 'users.id', '=', 'notes.signed_by')
            ->where('visits.clinic_id', $user->clinic_id)
            ->whereRaw('notes.needs_countersign = 1')
            ->whereNull('notes.countersigned_at')
            ->where('notes.signed_by', '!=', $user->id)
            // what was given back waits for its author
            ->whereNotExists(static fn (Builder $of) => $of->from('note_remarks')->whereColumn('note_remarks.visit_id', 'visits.id')
                ->whereRaw('note_remarks.revision = (select max(revision) from notes as all_of where all_of.visit_id = visits.id)'))
            ->orderByRaw('users.supervisor_id = ? desc', [$user->id])->orderBy('notes.signed_at')->limit(self::MOST)
            ->get(['visits.public_id', 'clients.name as client', 'users.name as by']);

        return array_values(
            $rows
                ->map(
                    static fn (object $row): array => [
                        'visit' => (string) $row->public_id, 'client' => (string) $row->client, 'by' => (string) $row->by,
                    ],
                )
                ->unique('visit')
                ->all(),
        );
    }

    /**
     * @return list<array{visit: string, client: string, since: string, back: string|null}> what one signed and a supervisor has not: what
     *         was given back first, with what was said of it
     */
    public function awaiting(User $user): array
    {
        $rows = DB::table('notes')
            ->join('visits', 'visits.id', '=', 'notes.visit_id')
            ->join('clients', 'clients.id', '=', 'visits.client_id')
            ->where('visits.clinic_id', $user->clinic_id)
            ->whereRaw('notes.needs_countersign = 1')
            ->whereNull('notes.countersigned_at')
            ->where('notes.signed_by', $user->id)
            ->whereRaw('notes.revision = (select max(revision) from notes as all_of where all_of.visit_id = visits.id)')
            ->leftJoin('note_remarks', static fn (JoinClause $on) => $on
                ->on('note_remarks.visit_id', '=', 'visits.id')->on('note_remarks.revision', '=', 'notes.revision'))
            ->orderByRaw('note_remarks.id is null')->orderBy('notes.signed_at')->limit(self::MOST)
            ->get(['visits.public_id', 'clients.name as client', 'notes.signed_at', 'note_remarks.words as back']);

        return array_values($rows->map(static fn (\stdClass $row): array => [
            'visit' => (string) $row->public_id, 'client' => (string) $row->client, 'since' => self::day((string) $row->signed_at, $user),
            'back' => $row->back,
        ])->all());
    }

    private static function day(string $moment, User $user): string
    {
        return CarbonImmutable::parse($moment, 'UTC')->setTimezone($user->clinic->timezone)->format('Y-m-d');
    }
}
