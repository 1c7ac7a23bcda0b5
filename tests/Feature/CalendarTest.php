<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Exchange\VObjects;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\Role;
use App\Models\User;
use App\Models\Waiting;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;
use Tests\TestCase;

/** Appointments by day, week and month: booked, repeated, moved, cancelled, waited for, and read in another calendar. */
final class CalendarTest extends TestCase
{
    private User $user;

    private Client $client;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-03-09 09:10:00'); // a Monday
        $this->user = $this->therapist();
        $this->user->clinic->update(['timezone' => 'Europe/Berlin']);
        $this->client = $this->client($this->user);
        $this->actingAs($this->user);
    }

    /** @param  list<string>  $days */
    #[DataProvider('views')]
    public function test_a_view_has_its_days_and_what_is_booked_in_them(string $query, array $days, int $booked): void
    {
        foreach (['2026-03-08 23:30:00', '2026-03-09 09:00:00', '2026-03-15 10:00:00', '2026-03-31 22:30:00'] as $at) {
            $this->booked($this->user, $this->client, $at);
        }

        $page = $this->page($query);

        self::assertSame($days, [$page['days'][0]['date'], $page['days'][array_key_last($page['days'])]['date']]);
        self::assertCount($booked, $page['appointments']);
    }

    /** @return iterable<string, array{string, list<string>, int}> */
    public static function views(): iterable
    {
        yield 'today, where nothing is said: half past eleven at night in UTC is the Monday here' => ['', ['2026-03-09', '2026-03-09'], 2];
        yield 'a week, from Monday' => ['view=week&day=2026-03-11', ['2026-03-09', '2026-03-15'], 3];
        yield 'a month, in whole weeks' => ['view=month&day=2026-03-11', ['2026-02-23', '2026-04-05'], 4];
        yield 'a day that is none is today' => ['day=2026-02-30', ['2026-03-09', '2026-03-09'], 2];
        yield 'a view that is none is a day' => ['view=year&day=2026-03-15', ['2026-03-15', '2026-03-15'], 1];
    }

    public function test_who_treats_sees_their_own_and_the_desk_sees_everybody_and_no_reason(): void
    {
        $other = $this->therapist($this->user->clinic);
        $this->booked($other, $this->client, '2026-03-09 10:00:00');
        $this->booked($this->user, $this->client, '2026-03-09 13:00:00')->update(['reason' => 'knee']);

        self::assertSame(['14:00'], array_column($this->page()['appointments'], 'time'));
        self::assertSame(['11:00'], array_column($this->page("with={$other->id}")['appointments'], 'time'));
        self::assertSame(['11:00', '14:00'], array_column($this->page('with=all')['appointments'], 'time'));

        $this->actingAs($this->therapist($this->user->clinic, Role::Reception));
        $desk = $this->page();
        self::assertSame([['11:00', null], ['14:00', null]], array_map(
            static fn (array $one): array => [$one['time'], $one['reason']], $desk['appointments'],
        ));
        self::assertSame([false, false], [$desk['clinical'], $desk['treats']]);
    }

    public function test_hours_are_the_clinics_or_ones_own(): void
    {
        $this->user->update(['settings' => ['hours' => ['mon' => null, 'tue' => ['12:00', '20:00']]]]);

        $days = $this->page('view=week')['days'];

        self::assertSame(['09:00', '18:00'], $days[0]['hours']);
        self::assertNull(((array) $days[0]['of'])[$this->user->id]);
        self::assertSame(['12:00', '20:00'], ((array) $days[1]['of'])[$this->user->id]);
        $this->book(['day' => '2026-03-09', 'time' => '15:00'])->assertSessionHas(
            'message', 'Booked for 9 March 2026, 15:00. Ada Thorn does not work on that day.',
        );
    }

    public function test_what_overlaps_is_said_and_not_booked_unless_it_is_wished_all_the_same(): void
    {
        $rival = $this->client($this->user, 'Wendel Ash');
        $this->booked($this->user, $rival, '2026-03-10 09:00:00'); // ten here

        $this->book(['time' => '10:30'])
            ->assertSessionHasErrors(['clash' => 'Ada Thorn has Wendel Ash then: 10 March 2026, 10:00, 60 min.']);
        $this->book(['time' => '09:30'])->assertSessionHasErrors('clash');
        $this->book(['time' => '11:00'])->assertSessionHasNoErrors(); // one ends as the other begins
        $this->book(['time' => '09:00'])->assertSessionHasNoErrors();
        $other = $this->therapist($this->user->clinic);
        $this->book(['time' => '11:30', 'person' => $other->id])->assertSessionHasErrors([
            'clash' => 'Wilma Reed is booked then already: 10 March 2026, 11:00 with Ada Thorn.',
        ]);
        $this->book(['time' => '10:15', 'person' => $other->id])->assertSessionHasErrors('clash'); // their nine and eleven
        $this->book(['time' => '10:30', 'anyway' => true])->assertSessionHasNoErrors();
        self::assertSame(4, Appointment::query()->count());

        // who did not come or is not coming takes no room
        Appointment::query()->where('client_id', $rival->id)->update(['status' => 'cancelled']);
        $this->book(['time' => '12:00'])->assertSessionHasNoErrors();
    }

    public function test_a_series_keeps_the_time_of_day_over_a_change_of_the_clocks(): void
    {
        $this->book(['day' => '2026-03-23', 'time' => '10:00', 'every' => 1, 'times' => 3])->assertSessionHas(
            'message', 'Booked 3 times, from 23 March 2026 to 6 April 2026, at 10:00.',
        );

        $all = Appointment::query()->orderBy('starts_at')->get();
        self::assertSame(
            ['2026-03-23 09:00', '2026-03-30 08:00', '2026-04-06 08:00'],
            $all->map(static fn (Appointment $one): string => $one->starts_at->format('Y-m-d H:i'))->all(),
        );
        self::assertCount(1, $all->pluck('series')->unique());
        self::assertNotNull($all[0]->series);
        self::assertCount(3, $all->pluck('uid')->unique());
    }

    public function test_of_a_series_one_clash_books_none(): void
    {
        $this->booked($this->user, $this->client($this->user, 'Wendel Ash'), '2026-03-24 09:00:00');

        $this->book(['time' => '10:00', 'every' => 2, 'times' => 4])->assertSessionHasErrors('clash');

        self::assertSame(1, Appointment::query()->count());
    }

    public function test_it_is_moved_by_itself_or_with_all_after_it(): void
    {
        $this->book(['day' => '2026-03-16', 'time' => '10:00', 'every' => 1, 'times' => 4]);
        [$first, $second] = Appointment::query()->orderBy('starts_at')->get();

        $this->change($second, ['day' => '2026-03-24', 'time' => '15:30'])
            ->assertSessionHas('message', 'Wilma Reed moved to 24 March 2026, 15:30.');
        self::assertSame(['03-16 09:00', '03-24 14:30', '03-30 08:00', '04-06 08:00'], $this->when());

        $this->change($first, ['day' => '2026-03-17', 'time' => '11:00', 'following' => true])->assertSessionHas(
            'message', 'Wilma Reed moved to 17 March 2026, 11:00. All 4 of the series from then on.',
        );
        self::assertSame(['03-17 10:00', '03-25 10:00', '03-31 09:00', '04-07 09:00'], $this->when(), 'each by a day, to the same time');
    }

    public function test_a_move_is_refused_where_it_would_overlap_and_never_clashes_with_itself(): void
    {
        $one = $this->booked($this->user, $this->client, '2026-03-10 09:00:00');
        $this->booked($this->user, $this->client($this->user, 'Wendel Ash'), '2026-03-10 11:00:00');

        $this->change($one, ['day' => '2026-03-10', 'time' => '10:30'])->assertSessionHasNoErrors();
        $this->change($one->refresh(), ['day' => '2026-03-10', 'time' => '11:30'])->assertSessionHasErrors('clash');
        $this->change($one->refresh(), ['minutes' => 120])->assertSessionHasErrors('clash');
        self::assertSame(['03-10 09:30', '03-10 11:00'], $this->when());
        $this->change($one->refresh(), ['minutes' => 120, 'anyway' => true])->assertSessionHasNoErrors();
        self::assertSame(120, $one->refresh()->minutes);
    }

    public function test_who_has_not_seen_the_last_change_changes_nothing(): void
    {
        $one = $this->booked($this->user, $this->client, '2026-03-10 09:00:00');
        $seen = $one->revision;
        $this->change($one, ['day' => '2026-03-11', 'time' => '10:00'])->assertSessionHasNoErrors();

        $this->put("/appointments/{$one->id}", ['status' => 'cancelled', 'seen' => $seen])->assertSessionHasErrors([
            'seen' => 'Somebody else has changed this meanwhile: it is booked now, 11 March 2026, 10:00. Nothing was changed by you.',
        ]);

        self::assertSame('booked', $one->refresh()->status);
    }

    public function test_what_has_begun_or_is_done_stays(): void
    {
        $one = $this->booked($this->user, $this->client, '2026-03-09 09:00:00');
        $this->change($one, ['status' => 'arrived'])->assertSessionHas('message', 'Wilma Reed is here.');
        $this->change($one->refresh(), ['day' => '2026-03-10', 'time' => '10:00'])->assertSessionHasErrors('day');
        $one->update(['status' => 'done']);
        foreach (['cancelled', 'missed', 'booked'] as $status) {
            $this->change($one->refresh(), ['status' => $status])->assertSessionHasErrors('day');
        }
        self::assertSame('done', $one->refresh()->status);
    }

    public function test_cancelled_it_makes_room_and_is_booked_again_only_where_there_still_is(): void
    {
        $one = $this->booked($this->user, $this->client, '2026-03-10 09:00:00');
        $this->change($one, ['status' => 'cancelled'])->assertSessionHas('message', 'Wilma Reed cancelled.');
        self::assertSame([], $this->page('day=2026-03-10')['appointments']);
        $this->booked($this->user, $this->client($this->user, 'Wendel Ash'), '2026-03-10 09:30:00');

        $this->change($one->refresh(), ['status' => 'booked'])->assertSessionHasErrors('clash');
        self::assertSame('cancelled', $one->refresh()->status);
        $this->change($one, ['status' => 'booked', 'anyway' => true])->assertSessionHasNoErrors();
    }

    public function test_whoever_stands_at_the_door_is_here_now_whatever_else_is_booked(): void
    {
        $this->booked($this->user, $this->client($this->user, 'Wendel Ash'), '2026-03-09 09:00:00');

        $this->book(['day' => '2026-03-09', 'time' => '10:10', 'here' => true])->assertSessionHas('message', 'Wilma Reed is here, 10:10.');

        self::assertSame('arrived', Appointment::query()->where('client_id', $this->client->id)->firstOrFail()->status);
    }

    public function test_who_waits_is_listed_once_and_waits_no_longer_when_booked(): void
    {
        $wish = ['minutes' => 45, 'weekdays' => ['tue', 'thu'], 'part' => 'morning', 'word' => 'Rings back.'];
        $this->post("/clients/{$this->client->public_id}/waiting", ['minutes' => 30])->assertSessionHasNoErrors();
        $this->post("/clients/{$this->client->public_id}/waiting", $wish)->assertSessionHas('message', 'Wilma Reed waits for a time.');

        $waiting = $this->page()['waiting'];
        self::assertCount(1, $waiting, 'the last wish holds');
        self::assertSame([45, ['tue', 'thu'], 'morning', 'Rings back.', '2026-03-09'], [
            $waiting[0]['minutes'], $waiting[0]['days'], $waiting[0]['part'], $waiting[0]['word'], $waiting[0]['since'],
        ]);

        $this->book(['time' => '10:00'])->assertSessionHasNoErrors();
        self::assertSame([], $this->page()['waiting']);

        $this->post("/clients/{$this->client->public_id}/waiting", ['minutes' => 30, 'weekdays' => ['noday']])->assertSessionHasErrors();
        $this->post("/clients/{$this->client->public_id}/waiting", ['minutes' => 30])->assertSessionHasNoErrors();
        $this->delete('/waiting/'.Waiting::query()->whereNull('settled_at')->firstOrFail()->id)->assertSessionHasNoErrors();
        self::assertSame([], $this->page()['waiting']);
    }

    public function test_the_desk_books_with_whoever_treats_and_is_asked_with_whom(): void
    {
        $this->actingAs($this->therapist($this->user->clinic, Role::Reception));
        $this->book([])->assertSessionHasNoErrors();
        self::assertSame($this->user->id, Appointment::query()->firstOrFail()->user_id, 'there is but one');

        $other = $this->therapist($this->user->clinic);
        $this->book(['time' => '15:00'])->assertSessionHasErrors(['person' => 'With whom?']);
        $this->book(['time' => '15:00', 'person' => $other->id])->assertSessionHasNoErrors();
        $this->book(['time' => '17:00', 'person' => $this->therapist()->id])->assertSessionHasErrors('person');
        $this->book(['time' => '17:00', 'person' => $other->id, 'reason' => 'knee'])->assertSessionHasErrors('reason');
    }

    public function test_ones_calendar_is_read_elsewhere_by_a_secret_address_and_tells_nothing_clinical(): void
    {
        $this->booked($this->user, $this->client, '2026-03-10 09:00:00')->update(['reason' => 'knee, right', 'word' => 'Print.']);
        $this->booked($this->user, $this->client, '2026-03-11 09:00:00')->update(['status' => 'cancelled']);
        $this->booked($this->therapist($this->user->clinic), $this->client, '2026-03-12 09:00:00');
        $this->post('/account/calendar')->assertSessionHasNoErrors();
        $link = (string) parse_url((string) session('feed'), PHP_URL_PATH);
        self::assertTrue($this->page()['feed']);
        $this->app['auth']->forgetGuards();
        session()->flush();

        $text = (string) $this->get($link)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();

        /** @var VCalendar $read */
        $read = VObjects::quietly(static fn () => Reader::read($text));
        $events = $read->select('VEVENT');
        self::assertSame(
            [
                ["Visit {$this->client->code}", '20260310T090000Z', 'CONFIRMED'],
                ["Visit {$this->client->code}", '20260311T090000Z', 'CANCELLED'],
            ],
            array_map(
                static fn ($one): array => [(string) $one->SUMMARY, (string) $one->DTSTART, (string) $one->STATUS], array_values($events),
            ),
        );
        foreach (['knee', 'Print', 'Wilma', 'Reed'] as $word) {
            self::assertStringNotContainsString($word, $text);
        }
        self::assertSame([], array_filter($read->validate(), static fn (array $fault): bool => $fault['level'] === 3));

        // a new address ends the old one, and whoever has left has none
        $this->get('/calendar/'.Str::random(43).'.ics')->assertNotFound();
        $this->actingAs($this->user->refresh())->post('/account/calendar');
        $new = (string) parse_url((string) session('feed'), PHP_URL_PATH);
        $this->get($link)->assertNotFound();
        $this->get($new)->assertOk();
        $this->user->update(['deactivated_at' => now()]);
        $this->app['auth']->forgetGuards();
        session()->flush();
        $this->get($new)->assertNotFound();
    }

    public function test_an_address_is_closed_and_not_made_by_who_does_not_treat(): void
    {
        $this->post('/account/calendar');
        $link = (string) parse_url((string) session('feed'), PHP_URL_PATH);
        $this->delete('/account/calendar')->assertSessionHasNoErrors();
        $this->get($link)->assertNotFound();

        $this->actingAs($this->therapist($this->user->clinic, Role::Reception))->post('/account/calendar')->assertForbidden();
    }

    public function test_erased_nobody_waits_and_no_word_is_left(): void
    {
        $this->user = $this->therapist($this->user->clinic, Role::Owner);
        $this->booked($this->user, $this->client, '2026-03-10 09:00:00')->update(['word' => 'Wilma rings back.']);
        $this->waits($this->user, $this->client);
        $this->visit($this->user, $this->client);

        $this->actingAs($this->user)->delete("/clients/{$this->client->public_id}", ['code' => $this->client->code])
            ->assertSessionHasNoErrors();

        self::assertSame([0, null], [Waiting::query()->count(), Appointment::query()->first()?->word]);
    }

    /** @return array<string, mixed> */
    private function page(string $query = ''): array
    {
        return $this->get("/calendar?$query")->assertOk()->inertiaProps();
    }

    /**
     * @param  array<string, mixed>  $about
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function book(array $about): \Illuminate\Testing\TestResponse
    {
        return $this->post(
            "/clients/{$this->client->public_id}/appointments", ['day' => '2026-03-10', 'time' => '14:00', 'minutes' => 60, ...$about],
        );
    }

    /**
     * @param  array<string, mixed>  $to
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function change(Appointment $one, array $to): \Illuminate\Testing\TestResponse
    {
        return $this->put("/appointments/{$one->id}", [...$to, 'seen' => $one->refresh()->revision]);
    }

    /** @return list<string> */
    private function when(): array
    {
        return array_values(Appointment::query()->orderBy('starts_at')->get()
            ->map(static fn (Appointment $one): string => $one->starts_at->format('m-d H:i'))->all());
    }
}
