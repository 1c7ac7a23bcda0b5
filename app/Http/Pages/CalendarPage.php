<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Right;
use App\Models\User;
use App\Models\Waiting;
use App\Support\Day;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** A day, a week or a month of appointments, with the hours of those who work, and who waits for a time. */
final readonly class CalendarPage
{
    public const VIEWS = ['day', 'week', 'month'];

    private const WAITING = 40;

    /**
     * @param  string  $view  of VIEWS; a day where it is none
     * @param  string  $day  Y-m-d; today where it is none
     * @param  string  $with  number of a therapist, or `all`; where it says nothing, whoever asks, or all where they do not treat
     * @return array<string, mixed>
     */
    public function of(User $user, string $view, string $day, string $with, CarbonImmutable $now): array
    {
        $zone = $user->clinic->timezone;
        $people = User::atTheTable($user->clinic_id)->with('clinic')->get();
        $view = in_array($view, self::VIEWS, true) ? $view : 'day';
        $local = $now->setTimezone($zone);
        $chosen = Day::read($day, $zone) ?? $local->startOfDay();
        $one = $people->firstWhere('id', (int) $with) ?? ($with === 'all' ? null : $people->firstWhere('id', $user->id));
        [$from, $to] = match ($view) {
            'week' => [$chosen->startOfWeek(), $chosen->endOfWeek()],
            'month' => [$chosen->startOfMonth()->startOfWeek(), $chosen->endOfMonth()->endOfWeek()],
            default => [$chosen->startOfDay(), $chosen->endOfDay()],
        };

        return [
            'view' => $view, 'day' => $chosen->format('Y-m-d'), 'today' => $local->format('Y-m-d'), 'now' => $local->format('H:i'),
            'with' => $one?->id,
            'people' => $people->map(static fn (User $person): array => ['id' => $person->id, 'name' => $person->name])->values(),
            'days' => $this->days($user, $from, $to, $people),
            'appointments' => $this->appointments($user, $from, $to, $one),
            'waiting' => $this->waiting($user),
            'minutes' => $user->clinic->setting('visit_minutes'),
            'clinical' => $user->may(Right::ReadClinical), 'treats' => $user->may(Right::WriteClinical),
            'feed' => $user->feed_hash !== null,
        ];
    }

    /**
     * @param  Collection<int, User>  $people
     * @return list<array{date: string, hours: array{string, string}|null, of: object}> each day with the clinic's hours and, by number,
     *         those of each therapist
     */
    private function days(User $user, CarbonImmutable $from, CarbonImmutable $to, Collection $people): array
    {
        $days = [];
        $ofWeekday = [];
        for ($day = $from; $day <= $to; $day = $day->addDay()) {
            $ofWeekday[$day->dayOfWeek] ??= [
                'hours' => $user->clinic->hoursOn($day),
                'of' => (object) $people->mapWithKeys(static fn (User $one): array => [$one->id => $one->hoursOn($day)])->all(),
            ];
            $days[] = ['date' => $day->format('Y-m-d'), ...$ofWeekday[$day->dayOfWeek]];
        }

        return $days;
    }

    /** @return list<array<string, mixed>> read raw: a month of a large clinic is thousands */
    private function appointments(User $user, CarbonImmutable $from, CarbonImmutable $to, ?User $one): array
    {
        $clinical = $user->may(Right::ReadClinical);
        $rows = DB::table('appointments')->join('clients', 'clients.id', '=', 'appointments.client_id')
            ->leftJoin('visits', 'visits.appointment_id', '=', 'appointments.id')
            ->where('appointments.clinic_id', $user->clinic_id)->where('appointments.status', '!=', 'cancelled')
            ->whereBetween('appointments.starts_at', [$from->utc()->format('Y-m-d H:i:s'), $to->utc()->format('Y-m-d H:i:s')])
            ->when($one !== null, static fn (Builder $of): Builder => $of->where('appointments.user_id', $one?->id))
            ->orderBy('appointments.starts_at')->orderBy('appointments.id')
            ->get([
                'appointments.id', 'appointments.starts_at', 'appointments.minutes', 'appointments.status', 'appointments.user_id',
                'appointments.series', 'appointments.revision', 'appointments.reason', 'appointments.word', 'clients.public_id',
                'clients.name', 'visits.public_id as visit',
            ]);
        [$zone, $utc] = [new \DateTimeZone($user->clinic->timezone), new \DateTimeZone('UTC')];

        return array_values($rows->map(static function (\stdClass $booked) use ($zone, $utc, $clinical): array {
            $at = (new \DateTimeImmutable((string) $booked->starts_at, $utc))->setTimezone($zone);

            return [
                'id' => (int) $booked->id, 'day' => $at->format('Y-m-d'), 'time' => $at->format('H:i'), 'minutes' => (int) $booked->minutes,
                'status' => $booked->status, 'with' => (int) $booked->user_id,
                'series' => $booked->series, 'seen' => (int) $booked->revision,
                'reason' => $clinical ? $booked->reason : null, 'word' => $booked->word,
                'client' => ['id' => $booked->public_id, 'name' => $booked->name], 'visit' => $clinical ? $booked->visit : null,
            ];
        })->all());
    }

    /** @return list<array<string, mixed>> who waits, longest first */
    private function waiting(User $user): array
    {
        return array_values(Waiting::query()->with('client')->where('clinic_id', $user->clinic_id)->whereNull('settled_at')
            ->orderBy('created_at')->orderBy('id')->limit(self::WAITING)->get()
            ->map(static fn (Waiting $one): array => [
                'id' => $one->id, 'client' => ['id' => $one->client->public_id, 'name' => $one->client->name], 'with' => $one->user_id,
                'minutes' => $one->minutes, 'days' => $one->days, 'part' => $one->part, 'word' => $one->word,
                'since' => $one->created_at->setTimezone($user->clinic->timezone)->format('Y-m-d'),
            ])->all());
    }
}
