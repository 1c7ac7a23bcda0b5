<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CaseAssembler;
use App\Models\Role;
use App\Models\Settings;
use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SettingsTest extends TestCase
{
    private const CLINIC = [
        'name' => 'Quay Street Rooms', 'timezone' => 'Europe/Lisbon', 'visit_minutes' => 45, 'retention_years' => 12,
        'hours' => ['mon' => ['08:00', '12:00'], 'sat' => null],
    ];

    public function test_a_person_chooses_over_the_clinic_and_the_clinic_over_the_default(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->actingAs($owner);
        self::assertSame(
            ['kPa', 'cm', 60], [$owner->setting('pressure_unit'), $owner->setting('length_unit'), $owner->clinic->setting('visit_minutes')],
        );

        $this->put('/settings/clinic', [...self::CLINIC, 'pressure_unit' => 'N/cm²', 'length_unit' => 'inch'])
            ->assertSessionHasNoErrors()
            ->assertRedirect();
        $this->put('/settings/own', ['pressure_unit' => 'lb/in²'])->assertSessionHasNoErrors()->assertRedirect();

        $fresh = User::query()->findOrFail($owner->id);
        self::assertSame(
            ['lb/in²', 'inch', 45, 'Europe/Lisbon'],
            [
                $fresh->setting('pressure_unit'), $fresh->setting('length_unit'), $fresh->clinic->setting('visit_minutes'),
                $fresh->clinic->timezone,
            ],
        );
        $this->actingAs($fresh)
            ->get('/')
            ->assertInertia(
                fn ($page) => $page->where('user.settings.pressure_unit', 'lb/in²')->where('user.settings.timezone', 'Europe/Lisbon'),
            );
    }

    public function test_the_school_of_the_clinic_and_of_the_person_reach_the_case_under_what_the_visit_says(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->actingAs($owner)
            ->put(
                '/settings/clinic',
                [...self::CLINIC, 'school' => ['pressure' => 'under_pain', 'order' => 'site_first', 'tendon' => 'broad_only']],
            )
            ->assertSessionHasNoErrors();
        $this->put('/settings/own', ['school' => ['order' => 'source_first', 'tendon' => null]])->assertSessionHasNoErrors();
        $owner = User::query()->findOrFail($owner->id);
        $visit = $this->visit($owner);
        $this->save($visit, 'school', 'up_to_eight', 'pressure')->assertOk();

        self::assertSame(
            ['pressure' => 'up_to_eight', 'order' => 'source_first', 'tendon' => 'broad_only'],
            app(CaseAssembler::class)->document($visit->refresh())['session']['school'],
        );
        self::assertSame(45, $visit->minutes);
    }

    /** @param  array<string, mixed>  $sent */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_is_refused_with_words(array $sent, string $field, string $words): void
    {
        $this->actingAs($this->therapist(role: Role::Owner))
            ->put('/settings/clinic', [...self::CLINIC, ...$sent])
            ->assertSessionHasErrors([$field => $words]);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        yield 'a zone nobody lives in' => [['timezone' => 'Moon/Sea'], 'timezone', 'This is no time zone.'];
        yield 'closing before opening' => [['hours' => ['mon' => ['12:00', '08:00']]], 'hours.mon.1', 'It closes after it opens.'];
        yield 'two pedals on one key' => [
            ['pedals' => ['onward' => 'a', 'ease' => 'a', 'soften' => 'b']], 'pedals.onward', 'Each pedal has a key of its own.',
        ];
        yield 'a key that is needed' => [
            ['pedals' => ['onward' => 'Tab', 'ease' => 'a', 'soften' => 'b']], 'pedals.onward', 'This key is needed to get about.',
        ];
        yield 'a visit of three minutes' => [['visit_minutes' => 3], 'visit_minutes', 'Between 10 and 180 minutes, please.'];
        yield 'an unknown school' => [
            ['school' => ['pressure' => 'crushing']], 'school.pressure', 'The selected school.pressure is invalid.',
        ];
    }

    public function test_a_closed_day_stays_closed_and_an_unnamed_choice_follows_the_default(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->actingAs($owner)->put('/settings/clinic', self::CLINIC)->assertSessionHasNoErrors();
        $clinic = User::query()->findOrFail($owner->id)->clinic;

        self::assertSame(['mon' => ['08:00', '12:00'], 'sat' => null], $clinic->setting('hours'));
        self::assertSame(Settings::defaults()['theme'], $clinic->setting('theme'));
    }

    public function test_dates_on_paper_are_written_as_the_clinic_wishes_and_booking_says_what_lies_outside_the_hours(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $visit = $this->visit($owner);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.']);
        $this->put('/settings/clinic', [...self::CLINIC, 'timezone' => 'UTC', 'date_form' => 'iso'])->assertSessionHasNoErrors();
        $owner = User::query()->findOrFail($owner->id);
        $this->actingAs($owner)
            ->get("/visits/{$visit->public_id}/note")
            ->assertInertia(fn ($page) => $page->component('Visit/Note', false)->where('client.born', '1985-04-01'));
        $book = fn (string $day, string $time): string => (string) $this
            ->post("/clients/{$visit->client->public_id}/appointments", ['day' => $day, 'time' => $time, 'minutes' => 60])
            ->getSession()
            ->get('message');

        self::assertSame('Booked for 2030-01-07, 09:00.', $book('2030-01-07', '09:00')); // a Monday
        self::assertSame('Booked for 2030-01-07, 11:30. That is outside the hours, 08:00 to 12:00.', $book('2030-01-07', '11:30'));
        self::assertSame('Booked for 2030-01-12, 09:00. The clinic is closed on that day.', $book('2030-01-12', '09:00'));
    }

    public function test_the_page_says_what_a_change_touches(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->therapist($owner->clinic);
        $this->visit($owner);

        $this->get('/settings')->assertInertia(
            fn ($page) => $page
                ->component('Clinic/Settings', false)
                ->where('touches', ['people' => 2, 'open' => 1, 'booked' => 0])
                ->where('keeps', true),
        );
    }
}
