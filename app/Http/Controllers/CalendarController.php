<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ClinicFiles;
use App\Exchange\Calendar\AppointmentsCalendar;
use App\Http\Pages\CalendarPage;
use App\Models\Appointment;
use App\Models\CheckIn;
use App\Models\User;
use App\Support\Letters;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

/** Appointments by day, week and month; and one's own in another calendar, by an address only its owner knows. */
final readonly class CalendarController
{
    /** What another calendar is told of: behind and ahead. */
    private const DAYS_BACK = 60;

    private const DAYS_AHEAD = 400;

    public function show(Request $request, #[CurrentUser] User $user, CalendarPage $page): Response
    {
        return Inertia::render('Calendar', $page->of(
            $user, (string) $request->string('view'), (string) $request->string('day'), (string) $request->string('with'),
            CarbonImmutable::now(),
        ));
    }

    /** Makes the address, shown this once; one that was made before leads nowhere from now on. */
    public function open(#[CurrentUser] User $user): RedirectResponse
    {
        Gate::authorize('treat', User::class);
        $link = Str::random(43);
        $user->update(['feed_hash' => CheckIn::hash($link)]);

        return back()->with('feed', Letters::link('calendar.feed', $link));
    }

    public function close(#[CurrentUser] User $user): RedirectResponse
    {
        $user->update(['feed_hash' => null]);

        return back()->with('message', 'The address of your calendar leads nowhere now.');
    }

    /** Codes and times, no names and nothing clinical: a calendar wanders to telephones and to those who run them. */
    public function feed(string $link, AppointmentsCalendar $calendar): HttpResponse
    {
        $user = User::query()->where('feed_hash', CheckIn::hash($link))->whereNull('deactivated_at')->first();
        abort_if($user === null, 404);
        $now = CarbonImmutable::now();
        $appointments = Appointment::query()->with(['client', 'user'])->where('user_id', $user->id)
            ->whereBetween('starts_at', [$now->subDays(self::DAYS_BACK)->utc(), $now->addDays(self::DAYS_AHEAD)->utc()])
            ->orderBy('starts_at')->lazy();

        return response($calendar->write(ClinicFiles::lines($appointments), $now), headers: [
            'Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, max-age=300',
            'Content-Disposition' => 'inline; filename="appointments.ics"',
        ]);
    }
}
