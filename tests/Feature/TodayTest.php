<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Appointment;
use App\Models\User;
use Carbon\CarbonImmutable;
use Tests\TestCase;

final class TodayTest extends TestCase
{
    public function test_the_day_lists_its_appointments_in_the_clinics_own_time(): void
    {
        $this->travelTo('2026-11-25T09:30:00Z');
        $user = $this->therapist();
        $user->clinic->update(['timezone' => 'Pacific/Auckland']); // there it is the 25th, half past ten in the evening
        $late = $this->book($user, 'Late Today', '2026-11-25T10:00:00Z');
        $this->book($user, 'Tomorrow', '2026-11-25T20:00:00Z');

        $this->actingAs($user)->get('/')->assertInertia(fn ($page) => $page->component('Today')
            ->where('day.date', '2026-11-25')
            ->has('appointments', 1)
            ->where('appointments.0.at', '23:00')
            ->where('appointments.0.client.name', $late->client->name));
    }

    public function test_a_visit_is_begun_from_its_appointment_and_gone_on_with(): void
    {
        $this->travelTo('2026-11-25T10:00:00Z'); // in the last hour of a day an hour later is tomorrow
        $user = $this->therapist();
        $appointment = $this->book($user, 'Nora Quill', CarbonImmutable::now()->addHour()->toIso8601String(), 45);
        $this->actingAs($user)
            ->post("/clients/{$appointment->client->public_id}/visits", ['appointment' => $appointment->id])
            ->assertRedirect();
        $visit = $appointment->visit()->firstOrFail();

        self::assertSame(45, $visit->minutes);
        self::assertSame('arrived', $appointment->fresh()?->status);
        $this->get('/')->assertInertia(fn ($page) => $page->where('appointments.0.visit', $visit->public_id));
    }

    public function test_an_appointment_of_somebody_else_is_not_taken_for_a_visit(): void
    {
        $user = $this->therapist();
        $other = $this->book($user, 'Somebody Else', CarbonImmutable::now()->addHour()->toIso8601String(), 90);
        $client = $this->client($user, 'Nora Quill');
        $this->actingAs($user)->post("/clients/{$client->public_id}/visits", ['appointment' => $other->id])->assertRedirect();

        self::assertNull($client->visits()->firstOrFail()->appointment_id);
    }

    public function test_whoever_must_be_sent_on_needs_a_thought_first(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->denyEverything($visit);
        $this->save($visit, 'red_flag', 'yes', 'progressive_weakness_or_numbness', 1)->assertOk();

        $this->get('/')->assertInertia(
            fn ($page) => $page->has('thoughts', 1)->where('thoughts.0.kind', 'refer')->where('thoughts.0.id', $visit->client->public_id),
        );
    }

    public function test_booking_says_what_is_missing_beside_the_field_and_keeps_to_the_clinics_time(): void
    {
        $user = $this->therapist();
        $user->clinic->update(['timezone' => 'America/Lima']); // five hours behind, all year
        $client = $this->client($user);
        $this->actingAs($user)
            ->post("/clients/{$client->public_id}/appointments", ['day' => '', 'time' => 'noon', 'minutes' => 5])
            ->assertSessionHasErrors([
                'day' => 'Which day?', 'time' => 'A time like 14:30, please.', 'minutes' => 'Between 10 and 180 minutes, please.',
            ]);
        $this->post("/clients/{$client->public_id}/appointments", ['day' => '2030-06-01', 'time' => '14:30', 'minutes' => 60])
            ->assertRedirect();

        self::assertSame('2030-06-01T19:30:00+00:00', Appointment::query()->firstOrFail()->starts_at->toIso8601String());
    }

    public function test_a_new_client_gets_a_code_without_a_name_in_it(): void
    {
        $user = $this->therapist();
        $details = ['name' => 'Émile Vane', 'pronoun' => 'he', 'born_on' => '1979-02-03', 'skin' => 'usual', 'stoic' => false];
        $this->actingAs($user)
            ->post('/clients', [...$details, 'born_on' => '2999-01-01', 'name' => ''])
            ->assertSessionHasErrors(['name', 'born_on']);
        $this->post('/clients', $details)->assertRedirect();
        $this->post('/clients', $details)->assertRedirect();

        self::assertSame(['EV-01', 'EV-02'], \App\Models\Client::query()->orderBy('code')->pluck('code')->all());
    }

    private function book(User $user, string $name, string $at, int $minutes = 60): Appointment
    {
        return Appointment::query()->create([
            'clinic_id' => $user->clinic_id, 'client_id' => $this->client($user, $name)->id, 'user_id' => $user->id,
            'starts_at' => CarbonImmutable::parse($at), 'minutes' => $minutes,
        ]);
    }
}
