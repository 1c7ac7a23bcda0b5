<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\Caseload;
use App\Models\Appointment;
use App\Models\CheckIn;
use App\Models\Client;
use App\Models\User;
use App\Models\Waiting;
use Carbon\CarbonImmutable;

/** A day as reception lives it: who comes when and to whom, who is here, who is to be rung. Nothing of why anybody comes. */
final readonly class DeskPage
{
    /** as many are shown beside the day; all of them stand in their own lists */
    private const SHOWN = 6;

    public function __construct(private Caseload $load)
    {
    }

    /**
     * @param  CarbonImmutable  $day  its beginning, where the clinic is
     * @return array<string, mixed>
     */
    public function of(User $user, CarbonImmutable $day, CarbonImmutable $now): array
    {
        $local = $now->setTimezone($user->clinic->timezone);
        $booked = Appointment::query()
            ->with(['client', 'user'])
            ->where('clinic_id', $user->clinic_id)
            ->whereBetween('starts_at', [$day->utc(), $day->endOfDay()->utc()])
            ->where('status', '!=', 'cancelled')
            ->orderBy('starts_at')
            ->orderBy('id')
            ->get();
        $checkIns = CheckIn::standing($booked->pluck('client_id')->unique());
        ['due' => $due, 'recall' => $lost] = $this->load->due($user, null, $now);
        $due = [...$due, ...$lost];
        $waiting = Waiting::query()->with('client')->where('clinic_id', $user->clinic_id)->whereNull('settled_at')->orderBy('created_at');

        return [
            'day' => [
                'date' => $day->format('Y-m-d'), 'today' => $local->format('Y-m-d'), 'now' => $local->format('H:i'),
                'clinic' => $user->clinic->name, 'hours' => $user->clinic->hoursOn($day),
            ],
            'appointments' => $booked->map(fn (Appointment $one): array => [
                'id' => $one->id, 'at' => $one->starts_at->setTimezone($user->clinic->timezone)->format('H:i'),
                'minutes' => $one->minutes, 'status' => $one->status, 'seen' => $one->revision, 'with' => $one->user->name,
                'word' => $one->word, 'first' => $one->client->last_seen_at === null,
                'check_in' => $checkIns->get($one->client_id),
                'client' => self::client($one->client),
            ])->values(),
            'ring' => ['shown' => array_slice($due, 0, self::SHOWN), 'many' => count($due)],
            'waiting' => (clone $waiting)->limit(self::SHOWN)->get()->map(static fn (Waiting $one): array => [
                'id' => $one->id, 'client' => self::client($one->client), 'minutes' => $one->minutes, 'word' => $one->word,
            ])->values(),
            'anybody' => Client::query()->where('clinic_id', $user->clinic_id)->exists(),
        ];
    }

    /** @return array{id: string, name: string, phone: string|null} */
    private static function client(Client $client): array
    {
        return ['id' => $client->public_id, 'name' => $client->name, 'phone' => $client->phone];
    }
}
