<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Appointment;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use Tests\TestCase;

/** The next visit: proposed by the core, offered where the diary has room, booked from the note with a word that says nothing of why. */
final class NextVisitTest extends TestCase
{
    public function test_it_is_proposed_where_the_diary_has_room_near_the_same_time_of_day(): void
    {
        $this->travelTo('2026-03-09 09:10:00'); // a Monday
        [$visit, $user] = $this->begun();

        $next = $this->next($visit);

        self::assertSame([7, 60, 'first', null], [$next['days'], $next['minutes'], $next['reason'], $next['booked']]);
        $offered = static fn (array $free): array => array_map(static fn (array $one): string => "{$one['day']} {$one['time']}", $free);
        self::assertSame([
            '2026-03-16 09:15', '2026-03-16 11:15', '2026-03-17 09:15', '2026-03-17 11:15', '2026-03-18 09:15', '2026-03-18 11:15',
        ], $offered($next['free']), 'the Sunday before is closed');

        $this->booked($user, $this->visit($user)->client, '2026-03-16 09:15:00', 60);
        self::assertSame(['2026-03-16 10:15', '2026-03-16 12:15'], array_slice($offered($this->next($visit)['free']), 0, 2));
    }

    public function test_it_is_booked_with_a_word_and_then_said(): void
    {
        $this->travelTo('2026-03-09 09:10:00');
        [$visit] = $this->begun();

        $this->post("/clients/{$visit->client->public_id}/appointments", [
            'day' => '2026-03-16', 'time' => '10:15', 'minutes' => 60, 'word' => 'Print the exercises.',
        ])->assertSessionHasNoErrors();

        $next = $this->next($visit);
        self::assertSame(['at' => '16 March 2026, 10:15', 'minutes' => 60, 'word' => 'Print the exercises.'], $next['booked']);
        self::assertSame([], $next['free']);

        $this->travelTo('2026-03-16 08:00:00');
        $desk = $this->therapist($visit->user->clinic, role: Role::Reception);
        $told = $this->actingAs($desk)->get('/')->assertOk()->inertiaProps()['appointments'][0];
        self::assertSame('Print the exercises.', $told['word']);
        self::assertArrayNotHasKey('reason', $told);
    }

    public function test_where_a_doctor_comes_first_no_day_is_offered(): void
    {
        [$visit] = $this->begun();
        $this->save($visit, 'red_flag', 'yes', 'night_pain_unrelenting')->assertOk();

        $next = $this->next($visit);

        self::assertSame([null, 'doctor', []], [$next['days'], $next['reason'], $next['free']]);
    }

    public function test_a_word_that_is_too_long_is_refused_with_words(): void
    {
        [$visit] = $this->begun();

        $this->post("/clients/{$visit->client->public_id}/appointments", [
            'day' => '2026-03-16', 'time' => '10:15', 'minutes' => 60, 'word' => str_repeat('x', 121),
        ])->assertSessionHasErrors('word');
        self::assertSame(0, Appointment::query()->where('client_id', $visit->client_id)->count());
    }

    /** @return array{Visit, User} */
    private function begun(): array
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->recordNeck($visit);

        return [$visit, $user];
    }

    /** @return array<string, mixed> */
    private function next(Visit $visit): array
    {
        return $this->get("/visits/{$visit->public_id}/after")->assertOk()->inertiaProps()['next'];
    }
}
