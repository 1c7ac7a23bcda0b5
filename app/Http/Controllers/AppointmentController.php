<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BookAppointment;
use App\Http\Requests\BookRequest;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;

final readonly class AppointmentController
{
    public function store(BookRequest $request, Client $client, #[CurrentUser] User $user, BookAppointment $book): RedirectResponse
    {
        $booked = $request->safe();
        $starts = CarbonImmutable::parse("{$booked['day']} {$booked['time']}", $user->clinic->timezone);
        $book->handle(
            $client, $user, $starts, $booked->integer('minutes'), $booked->string('reason')->value() ?: null,
            $booked->string('word')->value() ?: null, $request->key(),
        );

        $hours = $user->clinic->hoursOn($starts);
        $outside = match (true) {
            $hours === null => ' The clinic is closed on that day.',
            $booked['time'] < $hours[0] || $starts->addMinutes($booked->integer('minutes'))->format('H:i') > $hours[1]
                => " That is outside the hours, {$hours[0]} to {$hours[1]}.",
            default => '',
        };

        return back()->with('message', "Booked for {$booked['day']} at {$booked['time']}.$outside");
    }
}
