<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BookRequest;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;

final readonly class AppointmentController
{
    public function store(BookRequest $request, Client $client, #[CurrentUser] User $user): RedirectResponse
    {
        $booked = $request->safe();
        $starts = CarbonImmutable::parse("{$booked['day']} {$booked['time']}", $user->clinic->timezone);
        Appointment::query()->create([
            'clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'minutes' => $booked->integer('minutes'), 'reason' => $booked->string('reason')->value() ?: null,
            'starts_at' => $starts->utc(),
        ]);

        $hours = $user->clinic->hoursOn($starts);
        $outside = match (true) {
            $hours === null => ' The clinic is closed on that day.',
            $booked['time'] < $hours[0] || $starts->addMinutes($booked->integer('minutes'))->format('H:i') > $hours[1] => " That is outside the hours, {$hours[0]} to {$hours[1]}.",
            default => '',
        };

        return back()->with('message', "Booked for {$booked['day']} at {$booked['time']}.$outside");
    }
}
