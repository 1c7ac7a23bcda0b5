<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Appointment;
use App\Models\CheckIn;
use App\Models\Role;
use App\Models\User;
use App\Models\Waiting;
use Carbon\CarbonImmutable;
use Tests\TestCase;

/** The day as reception has it, and the days before and after for whoever works here. */
final class DeskTest extends TestCase
{
    private User $therapist;

    private User $desk;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-11-25T10:00:00Z');
        $this->therapist = $this->therapist();
        $this->desk = $this->therapist($this->therapist->clinic, Role::Reception);
    }

    public function test_reception_sees_who_comes_to_whom_and_nothing_of_why(): void
    {
        $one = $this->book('Nora Quill', '2026-11-25T09:30:00Z', ['reason' => 'neck, after the fall', 'word' => 'Print the sheet.']);
        $one->client->update(['occupation' => 'welder', 'phone' => '+44 1632 960 199']);
        $cancelled = $this->book('Not Coming', '2026-11-25T12:00:00Z', ['status' => 'cancelled']);

        $answer = $this->actingAs($this->desk)->get('/')->assertOk()->assertInertia(fn ($page) => $page->component('Desk')
            ->has('appointments', 1)
            ->where('appointments.0.at', '09:30')
            ->where('appointments.0.with', $this->therapist->name)
            ->where('appointments.0.word', 'Print the sheet.')
            ->where('appointments.0.first', true)
            ->where('appointments.0.check_in', null)
            ->where('appointments.0.client.phone', '+44 1632 960 199'));

        $told = (string) json_encode($answer->inertiaProps(), JSON_UNESCAPED_UNICODE);
        foreach (['after the fall', 'welder', $cancelled->client->name, 'verdict', 'hands'] as $not) {
            self::assertStringNotContainsString($not, $told);
        }
    }

    public function test_what_the_desk_says_of_a_booking_stands_there_and_not_over_what_another_said(): void
    {
        $one = $this->book('Nora Quill', '2026-11-25T10:00:00Z');
        $this->actingAs($this->desk)->put("/appointments/{$one->id}", ['status' => 'arrived', 'seen' => 0])->assertSessionHasNoErrors();
        $this->get('/')->assertInertia(fn ($page) => $page->where('appointments.0.status', 'arrived')->where('appointments.0.seen', 1));

        $this->put("/appointments/{$one->id}", ['status' => 'missed', 'seen' => 0])->assertSessionHasErrors();
        self::assertSame('arrived', $one->fresh()?->status);
    }

    public function test_how_far_the_questions_before_the_visit_are(): void
    {
        $all = ['Nobody Asked' => [], 'Has It' => [[null, null]], 'Is At It' => [['10:00', null]], 'Is Done' => [['09:00', '09:10']]];
        foreach ($all as $name => $made) {
            $one = $this->book($name, '2026-11-25T11:00:00Z');
            foreach ($made as [$opened, $sent]) {
                CheckIn::query()->create([
                    'clinic_id' => $this->desk->clinic_id, 'client_id' => $one->client_id, 'user_id' => $this->desk->id,
                    'link_hash' => hash('sha256', $name), 'code_hash' => hash('sha256', "code $name"), 'answers' => [],
                    'expires_at' => CarbonImmutable::now()->addDay(),
                    'opened_at' => $opened === null ? null : CarbonImmutable::parse("2026-11-25T{$opened}Z"),
                    'sent_at' => $sent === null ? null : CarbonImmutable::parse("2026-11-25T{$sent}Z"),
                ]);
            }
        }
        $this->actingAs($this->desk);
        $booked = $this->get('/')->inertiaProps()['appointments'];
        $told = array_combine(array_column(array_column($booked, 'client'), 'name'), array_column($booked, 'check_in'));

        self::assertSame(['Nobody Asked' => null, 'Has It' => 'handed out', 'Is At It' => 'begun', 'Is Done' => 'answered'], $told);
    }

    public function test_who_is_to_be_rung_and_who_waits_stand_beside_the_day_a_few_of_each(): void
    {
        foreach (range(1, 9) as $k) {
            $due = $this->client($this->therapist, "Due $k");
            $due->forceFill(['due_on' => '2026-11-2'.($k % 5), 'phone' => "+44 1632 960 10$k"])->save();
            Waiting::query()->create([
                'clinic_id' => $this->desk->clinic_id, 'client_id' => $this->client($this->therapist, "Waits $k")->id, 'minutes' => 45,
                'days' => [], 'part' => 'any', 'word' => "after $k",
            ]);
        }
        $this->actingAs($this->desk)->get('/')->assertInertia(fn ($page) => $page
            ->has('ring.shown', 6)->where('ring.many', 9)->has('waiting', 6)->where('waiting.0.word', 'after 1')->where('anybody', true));
        $elsewhere = $this->therapist(role: Role::Reception);
        $this->actingAs($elsewhere)->get('/')->assertInertia(fn ($page) => $page
            ->has('ring.shown', 0)->where('ring.many', 0)->has('waiting', 0)->where('anybody', false));
    }

    public function test_another_day_is_the_clinics_day_and_what_is_no_day_is_today(): void
    {
        $this->therapist->clinic->update(['timezone' => 'Pacific/Auckland']);
        $this->book('On The Twenty-sixth', '2026-11-25T20:00:00Z'); // there it is nine in the morning of the day after
        foreach ([$this->desk, $this->therapist] as $who) {
            $this->actingAs($who->fresh() ?? $who);
            $this->get('/?day=2026-11-26')->assertOk()->assertInertia(fn ($page) => $page
                ->where('day.date', '2026-11-26')->where('day.today', '2026-11-25')
                ->has('appointments', 1)->where('appointments.0.at', '09:00'));
            $this->get('/?day=2026-11-27')->assertInertia(fn ($page) => $page->has('appointments', 0));
            foreach (['2026-02-30', 'yesterday', '0001-01-01', '2026-11-26x', ''] as $none) {
                $this->get('/?day='.urlencode($none))->assertInertia(fn ($page) => $page->where('day.date', '2026-11-25'));
            }
        }
    }

    public function test_a_clinic_that_begins_is_told_its_first_steps_until_somebody_was_treated(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $steps = fn (): ?array => $this->actingAs($owner->fresh() ?? $owner)->get('/')->inertiaProps()['beginning'];
        self::assertSame(['hours' => false, 'people' => false, 'client' => false, 'visit' => null], $steps());

        $this->therapist($owner->clinic, Role::Reception);
        $visit = $this->visit($owner, $this->client($owner, 'The First'));
        self::assertSame(['hours' => false, 'people' => true, 'client' => true, 'visit' => $visit->public_id], $steps());

        $owner->clinic->update(['settings' => ['hours' => ['mon' => ['09:00', '12:00']]]]);
        self::assertTrue($steps()['hours'] ?? null);
        $visit->update(['status' => 'signed']);
        self::assertNull($steps());
    }

    public function test_a_therapist_finds_their_own_unsigned_visits_of_earlier_days_on_today(): void
    {
        $mine = $this->visit($this->therapist, $this->client($this->therapist, 'Left Open'));
        $this->visit($this->therapist($this->therapist->clinic), $this->client($this->therapist, 'Of Another'));
        $this->actingAs($this->therapist)->get('/')->assertInertia(fn ($page) => $page->has('unsigned', 0));
        $this->travelTo('2026-11-26T08:00:00Z');

        $this->get('/')->assertInertia(fn ($page) => $page
            ->has('unsigned', 1)->where('unsigned.0.visit', $mine->public_id)->where('unsigned.0.since', '2026-11-25'));
    }

    /** @param  array<string, mixed>  $more */
    private function book(string $name, string $at, array $more = []): Appointment
    {
        return Appointment::query()->create([
            'clinic_id' => $this->therapist->clinic_id, 'client_id' => $this->client($this->therapist, $name)->id,
            'user_id' => $this->therapist->id, 'starts_at' => CarbonImmutable::parse($at), 'minutes' => 60, 'status' => 'booked', ...$more,
        ]);
    }
}
