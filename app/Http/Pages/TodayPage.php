<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\Caseload;
use App\Cases\HandLoad;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\Judgement;
use App\Models\Right;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** The day: who comes when, what is known of each, what needs a thought, and the load on the hands. */
final readonly class TodayPage
{
    private const RECENT = 6;

    private const WATCHED = 14;

    public function __construct(private HandLoad $hands, private Caseload $load)
    {
    }

    /**
     * @param  CarbonImmutable  $of  the beginning of the day that is looked at, where the clinic is
     * @return array<string, mixed>
     */
    public function of(User $user, CarbonImmutable $of, CarbonImmutable $now): array
    {
        $local = $now->setTimezone($user->clinic->timezone);
        $day = [$of->utc(), $of->endOfDay()->utc()];
        $appointments = Appointment::query()
            ->with(['client', 'visit'])
            ->where('clinic_id', $user->clinic_id)
            ->whereBetween('starts_at', $day)
            ->where('status', '!=', 'cancelled')
            ->orderBy('starts_at')
            ->get();
        $recent = Client::present($user->clinic_id)->whereNotNull('last_seen_at')->orderByDesc('last_seen_at')->limit(self::WATCHED)->get();
        // who stayed away for months is called back from the caseload, and is no matter of today
        $running = $recent->filter(static fn (Client $one): bool => $one->last_seen_at > $now->subDays(Caseload::RUNNING_DAYS));
        $open = $this->open($appointments->pluck('client_id'));
        $latest = $this->latest($recent->pluck('id')->merge($appointments->pluck('client_id'))->unique());
        $unsigned = $user->may(Right::SignNotes) ? $this->load->unsigned($user, $user->id, $now) : [];

        return [
            'day' => [
                'date' => $of->format('Y-m-d'), 'today' => $local->format('Y-m-d'), 'now' => $local->format('H:i'),
                'clinic' => $user->clinic->name, 'hours' => $user->clinic->hoursOn($of),
            ],
            'appointments' => $appointments->map(
                fn (Appointment $one): array => $this->appointment($one, $user, $latest, $open->get($one->client_id)),
            )->values(),
            'recent' => $recent
                ->take(self::RECENT)
                ->map(
                    static fn (Client $client): array => [
                        'id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation,
                    ],
                )
                ->values(),
            'thoughts' => [...$this->answered($user), ...$this->thoughts($running, $latest)],
            'unsigned' => $unsigned,
            'awaiting' => $user->role->isSupervised() ? $this->load->awaiting($user) : [],
            'supervisor' => $user->role->isSupervised() ? $user->supervisor?->name : null,
            'countersign' => $user->may(Right::Countersign) && $user->licensed ? $this->load->countersign($user) : [],
            'beginning' => $recent->count() < self::RECENT ? $this->firstSteps($user) : null,
            'outbox' => $user->may(Right::KeepPeople)
                && app()->environment('local')
                && config('somatrace.outbox') === true
                && config('mail.default') === 'outbox',
            'hands' => $this->hands($user, $day, $appointments),
        ];
    }

    /** @return array{hours: bool, people: bool, client: bool, visit: string|null}|null null once a visit was signed here */
    private function firstSteps(User $user): ?array
    {
        $visits = DB::table('visits')->where('clinic_id', $user->clinic_id);
        $asked = DB::query()
            ->selectSub((clone $visits)->where('status', VisitStatus::Signed->value)->selectRaw('count(*)'), 'signed')
            ->selectSub((clone $visits)->where('status', VisitStatus::Open->value)->selectRaw('max(public_id)'), 'open')
            ->selectSub(DB::table('users')->where('clinic_id', $user->clinic_id)->selectRaw('count(*)'), 'people')
            ->selectSub(DB::table('clients')->where('clinic_id', $user->clinic_id)->selectRaw('count(*)'), 'clients')
            ->sole();

        return $asked->signed > 0 ? null : [
            'hours' => array_key_exists('hours', [...$user->clinic->settings, ...$user->settings]),
            'people' => $asked->people > 1, 'client' => $asked->clients > 0, 'visit' => $asked->open,
        ];
    }

    /**
     * @param  array{CarbonImmutable, CarbonImmutable}  $day
     * @param  Collection<int, Appointment>  $booked
     * @return array{parts: list<array<string, mixed>>, swaps: list<string>}
     */
    private function hands(User $user, array $day, Collection $booked): array
    {
        $hands = $this->hands->day($user, $day, $booked);

        return [
            'parts' => $hands->parts(), 'swaps' => array_column([...$hands->otherTools(), ...$hands->otherOrders()], 'words'),
        ];
    }

    /**
     * @param  Collection<int, int>  $clients
     * @return Collection<int, Visit> visits begun without an appointment and still open, by client
     */
    private function open(Collection $clients): Collection
    {
        return $clients->isEmpty()
            ? new Collection
            : Visit::query()->whereIn('client_id', $clients)->where('status', VisitStatus::Open)->get()->toBase()->keyBy('client_id');
    }

    /**
     * @param  Collection<int, int>  $clients
     * @return Collection<int, array<string, Judgement>> the stored safety and response of each client's last visit
     */
    private function latest(Collection $clients): Collection
    {
        $clientOf = Visit::query()
            ->whereIn('client_id', $clients)
            ->whereRaw('number = (select max(number) from visits as later where later.client_id = visits.client_id)')
            ->pluck('client_id', 'id');
        /** @var array<int, array<string, Judgement>> $latest */
        $latest = [];
        foreach (Judgement::query()->whereIn('visit_id', $clientOf->keys())->whereIn('kind', ['safety', 'response'])->get() as $judgement) {
            $latest[(int) $clientOf[$judgement->visit_id]][$judgement->kind] = $judgement;
        }

        return new Collection($latest);
    }

    /**
     * @param  Collection<int, array<string, Judgement>>  $latest
     * @return array<string, mixed>
     */
    private function appointment(Appointment $one, User $user, Collection $latest, ?Visit $open): array
    {
        $safety = $latest->get($one->client_id)['safety'] ?? null;

        return [
            'id' => $one->id, 'at' => $one->starts_at->setTimezone($user->clinic->timezone)->format('H:i'), 'minutes' => $one->minutes,
            'status' => $one->status,
            'reason' => $one->reason, 'word' => $one->word,
            'client' => [
                'id' => $one->client->public_id, 'name' => $one->client->name, 'occupation' => $one->client->occupation,
                'age' => (int) $one->client->born_on->diffInYears($one->starts_at),
            ],
            'visit' => ($one->visit ?? $open)?->public_id, 'visit_status' => ($one->visit ?? $open)?->status->value,
            'verdict' => $safety?->document['verdict'] ?? null,
        ];
    }

    /** @return list<array<string, mixed>> */
    private function answered(User $user): array
    {
        return array_map(static fn (array $one): array => [
            'id' => $one['client'], 'name' => $one['name'], 'kind' => $one['kind'], 'text' => $one['text'],
        ], $this->load->answered($user));
    }

    /**
     * @param  Collection<int, Client>  $clients
     * @param  Collection<int, array<string, Judgement>>  $latest
     * @return list<array<string, mixed>>
     */
    private function thoughts(Collection $clients, Collection $latest): array
    {
        $order = ['emergency' => 0, 'refer' => 1, 'reassess' => 2, 'regress' => 3, 'space_out' => 4, 'discharge' => 5];
        $thoughts = [];
        foreach ($clients as $client) {
            $thought = $this->thought($client, $latest->get($client->id) ?? []);
            if ($thought !== null) {
                $thoughts[] = $thought;
            }
        }
        usort($thoughts, static fn (array $a, array $b): int => [$order[$a['kind']], $a['name']] <=> [$order[$b['kind']], $b['name']]);

        return $thoughts;
    }

    /**
     * @param  array<string, Judgement>  $judged
     * @return array<string, mixed>|null
     */
    private function thought(Client $client, array $judged): ?array
    {
        $safety = $judged['safety']->document ?? null;
        $response = $judged['response']->document ?? [];
        $course = $response['course'] ?? ['decision' => null, 'because' => ''];
        $regress = array_values(array_filter(
            $response['targets'] ?? [], static fn (array $target): bool => $target['decision'] === 'regress',
        ));
        [$kind, $text] = match (true) {
            in_array($safety['verdict'] ?? null, ['emergency', 'refer'], true) => [$safety['verdict'], $safety['because'][0]['reason']],
            in_array($course['decision'], ['refer', 'reassess', 'space_out', 'discharge'], true)
                => [$course['decision'], $course['because']],
            $regress !== [] => ['regress', "{$regress[0]['name']}: {$regress[0]['because']}"],
            default => [null, ''],
        };

        return $kind === null ? null : ['id' => $client->public_id, 'name' => $client->name, 'kind' => $kind, 'text' => $text];
    }
}
