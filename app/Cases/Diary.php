<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Validation\ValidationException;

/** Where a therapist's diary has room: within the hours of the clinic, beside what is booked. */
final readonly class Diary
{
    private const STEP_MINUTES = 15;

    /** Days before and after the one that is wished. */
    private const AROUND = 4;

    private const A_DAY = 2;

    private const MOST = 6;

    /** So many clashes are named; of a long series the rest is counted. */
    private const NAMED = 4;

    /**
     * @param  CarbonImmutable  $wished  the day and the time of day, nearest of which comes first
     * @return array{free: list<array{day: string, time: string}>, booked: array{at: string, minutes: int, word: string|null}|null} in the
     *         clinic's time: what is booked for this client, or where there is room
     */
    public function beside(User $user, Client $client, ?CarbonImmutable $wished, int $minutes, CarbonImmutable $now): array
    {
        $all = Appointment::query()->where('status', '!=', 'cancelled')->where('starts_at', '>', $now->subDay()->utc())
            ->where(static fn (Builder $of): Builder => $of->where('user_id', $user->id)->orWhere('client_id', $client->id))
            ->orderBy('starts_at')
            ->get(['starts_at', 'minutes', 'word', 'client_id', 'user_id', 'status']);
        $own = $all->first(
            static fn (Appointment $one): bool => $one->client_id === $client->id && $one->status === 'booked' && $one->starts_at > $now,
        );

        return [
            'booked' => $own === null ? null : [
                'at' => $user->clinic->dateWords($own->starts_at->setTimezone($user->clinic->timezone), true), 'minutes' => $own->minutes,
                'word' => $own->word,
            ],
            'free' => $own !== null || $wished === null ? [] : $this->near($user, $wished, $minutes, $now, array_values(array_map(
                static fn (Appointment $one): array => [$one->starts_at, $one->starts_at->addMinutes($one->minutes)],
                $all->where('user_id', $user->id)->all(),
            ))),
        ];
    }

    /**
     * What else is booked while somebody would be treated: of the therapist, who has one pair of hands, and of the client.
     *
     * @param  list<int>  $except  appointments that make room themselves
     * @return list<string> a sentence each, in the clinic's time, the first first
     */
    public function clashes(
        User $therapist, Client $client, CarbonImmutable $starts, int $minutes, array $except = [],
    ): array {
        $others = Appointment::query()->with('client', 'user')
            ->whereNotIn('status', ['cancelled', 'missed'])->whereNotIn('id', $except)
            ->where(static fn (Builder $of): Builder => $of->where('user_id', $therapist->id)->orWhere('client_id', $client->id))
            // none lasts longer than three hours
            ->whereBetween('starts_at', [$starts->subMinutes(180)->utc(), $starts->addMinutes($minutes)->utc()])
            ->orderBy('starts_at')->get();
        $clinic = $therapist->clinic;
        $said = [];
        foreach ($others as $one) {
            if ($one->starts_at < $starts->addMinutes($minutes) && $one->endsAt() > $starts) {
                $told = [
                    'client' => $one->client->name, 'name' => $one->user->name, 'minutes' => $one->minutes,
                    'when' => $clinic->dateWords($one->starts_at->setTimezone($clinic->timezone), true),
                ];
                $said[] = $one->client_id === $client->id
                    ? __(':client is booked then already: :when with :name.', $told)
                    : __(':name has :client then: :when, :minutes min.', $told);
            }
        }

        return $said;
    }

    /**
     * @param  list<string>  $clashes
     *
     * @throws ValidationException where there are any
     */
    public function refuse(array $clashes): void
    {
        $more = count($clashes) - self::NAMED;
        if ($clashes !== []) {
            throw ValidationException::withMessages([
                'clash' => implode(' ', [
                    ...array_slice($clashes, 0, self::NAMED), ...$more > 0 ? [__('And :more more.', ['more' => $more])] : [],
                ]),
            ]);
        }
    }

    /**
     * @param  list<array{CarbonImmutable, CarbonImmutable}>  $booked
     * @return list<array{day: string, time: string}>
     */
    private function near(User $user, CarbonImmutable $wished, int $minutes, CarbonImmutable $now, array $booked): array
    {
        $local = $wished->setTimezone($user->clinic->timezone);
        $free = [];
        for ($away = 0; $away <= self::AROUND && count($free) < self::MOST; $away++) {
            foreach ($away === 0 ? [0] : [$away, -$away] as $days) {
                $day = $local->addDays($days);
                $hours = $user->hoursOn($day);
                $found = $hours === null ? [] : $this->on($day, $hours, $minutes, $booked, $now);
                array_push($free, ...array_slice($found, 0, self::A_DAY));
            }
        }
        $free = array_slice($free, 0, self::MOST);
        usort($free, static fn (CarbonImmutable $a, CarbonImmutable $b): int => $a <=> $b);

        return array_map(static fn (CarbonImmutable $at): array => ['day' => $at->format('Y-m-d'), 'time' => $at->format('H:i')], $free);
    }

    /**
     * @param  array{string, string}  $hours
     * @param  list<array{CarbonImmutable, CarbonImmutable}>  $booked
     * @return list<CarbonImmutable> nearest to the time of day first
     */
    private function on(CarbonImmutable $day, array $hours, int $minutes, array $booked, CarbonImmutable $now): array
    {
        $free = [];
        $closes = $day->setTimeFromTimeString($hours[1]);
        for (
            $at = $day->setTimeFromTimeString($hours[0]); $at->addMinutes($minutes) <= $closes; $at = $at->addMinutes(self::STEP_MINUTES)
        ) {
            $ends = $at->addMinutes($minutes);
            $taken = array_filter($booked, static fn (array $one): bool => $at < $one[1] && $ends > $one[0]);
            if ($at > $now && $taken === []) {
                $free[] = $at;
            }
        }
        usort(
            $free, static fn (CarbonImmutable $a, CarbonImmutable $b): int => abs($a->diffInMinutes($day)) <=> abs($b->diffInMinutes($day)),
        );
        // two offers a day are of use only where they are apart
        $apart = [];
        foreach ($free as $one) {
            $near = array_filter($apart, static fn (CarbonImmutable $other): bool => abs($one->diffInMinutes($other)) < 2 * $minutes);
            if ($near === []) {
                $apart[] = $one;
            }
        }

        return $apart;
    }
}
