<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BookAppointment;
use App\Actions\ChangeAppointment;
use App\Http\Requests\BookRequest;
use App\Http\Requests\ChangeAppointmentRequest;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;

/** Booking, moving and cancelling. A clash is said and not made, unless somebody wants it all the same. */
final readonly class AppointmentController
{
    public function store(BookRequest $request, Client $client, #[CurrentUser] User $user, BookAppointment $book): RedirectResponse
    {
        $about = $request->safe();
        $therapist = $request->therapist();
        $starts = $request->starts();
        // whoever stands at the door is there, whatever is booked
        $here = $request->boolean('here');
        $book->handle($client, $therapist, $user, $starts, [
            'minutes' => $about->integer('minutes'), 'reason' => $about->string('reason')->value() ?: null,
            'word' => $about->string('word')->value() ?: null, 'status' => $here ? 'arrived' : 'booked',
        ], $request->key(), $here || $request->boolean('anyway'));

        return back()->with('message', $here
            ? "{$client->name} is here, {$about['time']}."
            : self::booked($starts, $about['time']).self::outside($therapist, $starts[0], $about->integer('minutes')));
    }

    public function update(ChangeAppointmentRequest $request, Appointment $appointment, ChangeAppointment $change): RedirectResponse
    {
        $appointment->loadMissing('client', 'user.clinic');
        $starts = $request->starts();
        $therapist = $request->filled('person') ? $request->therapist() : $appointment->user;
        $to = $request->changes();
        $many = $change->handle(
            $appointment, $to, $starts, $therapist, $request->boolean('following'), $request->integer('seen'), $request->boolean('anyway'),
        );
        $name = $appointment->client->name;

        return back()->with('message', trim(match (true) {
            $starts !== null => "$name moved to {$therapist->clinic->dateWords($starts, true)}."
                .self::outside($therapist, $starts, $to['minutes'] ?? $appointment->minutes),
            isset($to['status']) => "$name ".match ($to['status']) {
                'cancelled' => 'cancelled.', 'missed' => 'did not come.', 'arrived' => 'is here.', default => 'is booked again.',
            },
            isset($to['minutes']) => "$name: {$to['minutes']} minutes.",
            default => "$name: changed.",
        }.($many > 1 ? " All $many of the series from then on." : '')));
    }

    /** @param  non-empty-list<CarbonImmutable>  $starts */
    private static function booked(array $starts, string $time): string
    {
        $last = $starts[count($starts) - 1];

        return count($starts) === 1
            ? "Booked for {$starts[0]->format('Y-m-d')} at $time."
            : 'Booked '.count($starts)." times, from {$starts[0]->format('Y-m-d')} to {$last->format('Y-m-d')}, at $time.";
    }

    private static function outside(User $therapist, CarbonImmutable $starts, int $minutes): string
    {
        $hours = $therapist->hoursOn($starts);
        $own = isset($therapist->settings['hours']);

        return match (true) {
            $hours === null => $own ? " {$therapist->name} does not work on that day." : ' The clinic is closed on that day.',
            $starts->format('H:i') < $hours[0] || $starts->addMinutes($minutes)->format('H:i') > $hours[1]
                => " That is outside the hours, {$hours[0]} to {$hours[1]}.",
            default => '',
        };
    }
}
