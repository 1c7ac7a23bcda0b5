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
            ? __(':name is here, :time.', ['name' => $client->name, 'time' => $about['time']])
            : self::booked($starts, $therapist).self::outside($therapist, $starts[0], $about->integer('minutes')));
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
            $starts !== null => __(':name moved to :time.', ['name' => $name, 'time' => $therapist->clinic->dateWords($starts, true)])
                .self::outside($therapist, $starts, $to['minutes'] ?? $appointment->minutes),
            isset($to['status']) => match ($to['status']) {
                'cancelled' => __(':name cancelled.', ['name' => $name]),
                'missed' => __(':name did not come.', ['name' => $name]),
                'arrived' => __(':name is here.', ['name' => $name]),
                default => __(':name is booked again.', ['name' => $name]),
            },
            isset($to['minutes']) => __(':name: :minutes minutes.', ['name' => $name, 'minutes' => $to['minutes']]),
            default => __(':name: changed.', ['name' => $name]),
        }.($many > 1 ? ' '.__('All :many of the series from then on.', ['many' => $many]) : '')));
    }

    /** @param  non-empty-list<CarbonImmutable>  $starts */
    private static function booked(array $starts, User $therapist): string
    {
        $words = $therapist->clinic->dateWords(...);

        return count($starts) === 1
            ? __('Booked for :time.', ['time' => $words($starts[0], true)])
            : __('Booked :many times, from :first to :last, at :time.', [
                'many' => count($starts), 'first' => $words($starts[0]), 'last' => $words($starts[count($starts) - 1]),
                'time' => $starts[0]->format('H:i'),
            ]);
    }

    private static function outside(User $therapist, CarbonImmutable $starts, int $minutes): string
    {
        $hours = $therapist->hoursOn($starts);
        $own = isset($therapist->settings['hours']);

        return match (true) {
            $hours === null => ' '.($own
                ? __(':name does not work on that day.', ['name' => $therapist->name])
                : __('The clinic is closed on that day.')),
            $starts->format('H:i') < $hours[0] || $starts->addMinutes($minutes)->format('H:i') > $hours[1]
                => ' '.__('That is outside the hours, :from to :to.', ['from' => $hours[0], 'to' => $hours[1]]),
            default => '',
        };
    }
}
