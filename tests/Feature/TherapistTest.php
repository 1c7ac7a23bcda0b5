<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CaseAssembler;
use App\Models\Appointment;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Somatrace\Core\Clinic;
use Tests\TestCase;

/** Who works: what their hands did today, what they spare, own and were trained for reaches every plan. */
final class TherapistTest extends TestCase
{
    public function test_what_the_hands_did_in_other_visits_of_the_day_stands_in_the_case(): void
    {
        $this->travelTo('2026-11-25 09:00:00');
        $user = $this->therapist();
        $this->worked($user, 'thumb', 6.0, 300);
        $this->travelTo('2026-11-25 11:00:00');
        $this->worked($user, 'thumb', 5.0, 120);
        $this->worked($user, 'thumb', 4.9, 600);
        $this->worked($user, 'elbow', 7.0, 90);
        $this->travelTo('2026-11-25 14:00:00');
        $now = $this->begun($user);

        self::assertSame(['elbow' => 1.5, 'thumb' => 7.0], $this->case($now)['load_today']);
        session()->forget('screen');
        $this->actingAs($user)->get('/')->assertInertia(fn ($page) => $page
            ->where('hands.parts.0.done', 7)->where('hands.parts.0.of', 30)->where('hands.swaps', []));
    }

    public function test_yesterday_tomorrow_this_visit_and_somebody_else_do_not_count(): void
    {
        $this->travelTo('2026-11-24 12:00:00');
        $user = $this->therapist();
        $this->worked($user, 'thumb', 6.0, 300);
        $this->travelTo('2026-11-25 10:00:00');
        $this->worked($this->therapist($user->clinic), 'thumb', 6.0, 300);
        $now = $this->worked($user, 'thumb', 6.0, 300);
        $this->travelTo('2026-11-25 12:00:00');
        $this->worked($user, 'thumb', 6.0, 300);

        self::assertArrayNotHasKey('load_today', $this->case($now));
    }

    public function test_the_day_forecasts_what_the_booked_asked_last_time_and_says_what_would_spare_the_hands(): void
    {
        $this->travelTo('2026-11-24 10:00:00');
        $user = $this->therapist();
        $booked = [];
        $asked = ['Ida Varr' => ['thumb' => 20.0], 'Jon Pell' => ['thumb_reinforced' => 15.0], 'Kit Moss' => ['forearm' => 9.0]];
        foreach ($asked as $name => $load) {
            $client = $this->client($user, $name);
            $visit = $this->visit($user, $client);
            $visit->plans()->create([
                'agreed_by' => $user->id, 'agreed_at' => now(), 'case_hash' => str_repeat('a', 64), 'atlas_version' => '1',
                'document' => ['therapist_load' => $load],
            ]);
            $booked[] = $client;
        }
        $this->travelTo('2026-11-25 08:00:00');
        foreach ($booked as $hour => $client) {
            Appointment::query()->create([
                'clinic_id' => $user->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'minutes' => 60, 'status' => 'booked',
                'starts_at' => CarbonImmutable::parse('2026-11-25 09:00:00')->addHours($hour),
            ]);
        }
        session()->forget('screen');

        $this->actingAs($user)->get('/')->assertInertia(fn ($page) => $page
            ->where('hands.parts.0', ['part' => 'thumb', 'name' => 'thumbs', 'done' => 0, 'expected' => 35, 'of' => 30])
            ->where('hands.swaps.0', 'Thumbs would be 5 min over. With Ida Varr another tool spares 20 min.')
            ->where('hands.swaps.1', fn (string $words): bool => str_starts_with($words, 'Ida Varr and Jon Pell both ask much')
                && str_contains($words, 'Kit Moss between them')));
    }

    /** What hands did outweighs what was agreed, an earlier visit counts where the last asked nothing, and who never came asks nothing. */
    public function test_the_day_forecasts_by_what_was_done_where_something_was(): void
    {
        $user = $this->therapist();
        $agree = static fn (Visit $visit) => $visit->plans()->create([
            'agreed_by' => $user->id, 'agreed_at' => now(), 'case_hash' => str_repeat('a', 64), 'atlas_version' => '1',
            'document' => ['therapist_load' => ['thumb' => 20.0]],
        ]);
        $this->travelTo('2026-11-20 10:00:00');
        $treated = $this->worked($user, 'thumb', 6.0, 240);
        $agree($treated);
        $new = $this->client($user, 'Lio Marsh');
        $this->travelTo('2026-11-22 10:00:00');
        $this->visit($user, $treated->client);
        $this->travelTo('2026-11-25 08:00:00');
        foreach ([$treated->client, $new] as $hour => $client) {
            Appointment::query()->create([
                'clinic_id' => $user->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'minutes' => 60, 'status' => 'booked',
                'starts_at' => CarbonImmutable::parse('2026-11-25 09:00:00')->addHours($hour),
            ]);
        }
        session()->forget('screen');

        $this->actingAs($user)->get('/')->assertInertia(fn ($page) => $page
            ->where('hands.parts.0', ['part' => 'thumb', 'name' => 'thumbs', 'done' => 0, 'expected' => 4, 'of' => 30]));
    }

    public function test_the_six_days_before_count_for_the_week(): void
    {
        $user = $this->therapist();
        foreach (['2026-11-18' => 600, '2026-11-19' => 120, '2026-11-24' => 180, '2026-11-25' => 300] as $day => $seconds) {
            $this->travelTo("$day 10:00:00");
            $this->worked($user, 'thumb', 6.0, $seconds);
        }
        $this->travelTo('2026-11-25 14:00:00');
        $case = $this->case($this->begun($user));

        self::assertSame(['thumb' => 5.0], $case['load_week'], 'a week ago is over, today is told apart');
        self::assertSame(['thumb' => 5.0], $case['load_today']);
    }

    public function test_what_one_is_not_trained_in_is_in_no_plan(): void
    {
        $user = $this->therapist();
        $visit = $this->begun($user);
        self::assertArrayNotHasKey('trained', $this->case($visit));
        $this->actingAs($user)->put('/settings/own', ['untrained' => ['trigger_point_hold']])->assertSessionHasNoErrors();
        $case = $this->case($visit->fresh() ?? $visit);

        self::assertNotContains('trigger_point_hold', $case['trained']);
        self::assertContains('stripping', $case['trained']);
        $this->put('/settings/own', ['untrained' => ['juggling']])->assertSessionHasErrors('untrained.0');
    }

    public function test_a_plan_that_waits_counts_as_it_was_agreed(): void
    {
        $this->travelTo('2026-11-25 09:00:00');
        $user = $this->therapist();
        $waiting = $this->begun($user);
        $waiting->plans()->create([
            'agreed_by' => $user->id, 'agreed_at' => now(), 'case_hash' => str_repeat('a', 64), 'atlas_version' => '1',
            'document' => ['therapist_load' => ['thumb_reinforced' => 4.25, 'forearm' => 8]],
        ]);
        $this->travelTo('2026-11-25 10:00:00');

        self::assertSame(['forearm' => 8.0, 'thumb_reinforced' => 4.3], $this->case($this->begun($user))['load_today']);
    }

    public function test_a_day_of_thumbs_is_enough_and_the_plan_of_a_visit_in_hand_knows_it_at_once(): void
    {
        $this->travelTo('2026-11-25 09:00:00');
        $user = $this->therapist();
        $user->update(['tools' => ['thumb', 'fingers_reinforced', 'palm']]);
        $this->travelTo('2026-11-25 12:00:00');
        $now = $this->begun($user);
        $this->recordNeck($now);
        $this->save($now, 'palpation', ['muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => 3, 'familiar' => 'yes']);
        $before = $this->stamp($now);
        $this->travelTo('2026-11-25 10:00:00');
        $this->worked($user, 'thumb', 6.0, 1800);
        $this->travelTo('2026-11-25 12:00:00');

        self::assertNotSame($before, $this->stamp($now), 'no judgement made before it stays');
        $case = app(CaseAssembler::class)->of($now);
        $tools = array_map(static fn ($step): ?string => $step->tool, app(Clinic::class)->plan($case)->steps);
        self::assertNotContains('thumb', $tools);
    }

    public function test_one_tells_what_one_spares_owns_and_weighs(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->put('/settings/own', [
            'spared' => ['thumb', 'elbow'], 'aids' => ['hand_tool'], 'mass_kg' => 61.5, 'thumb_minutes' => 12,
        ])->assertSessionHasNoErrors();

        $therapist = $this->case($this->visit(User::query()->findOrFail($user->id)));
        self::assertSame(['thumb', 'elbow'], $therapist['injured']);
        self::assertSame(61.5, $therapist['mass_kg']);
        self::assertContains('hand_tool', $therapist['tools']);
        self::assertContains('palm', $therapist['tools']);
        self::assertNotContains('percussion_tool', $therapist['tools']);
        self::assertSame(['thumb' => ['day' => 12.0]], $therapist['budgets']);
        $this->get('/settings')->assertInertia(
            fn ($page) => $page->where('body.mass_kg', 61.5)->where('body.aids', ['hand_tool'])->where('own.spared', ['thumb', 'elbow']),
        );

        $this->put('/settings/own', ['spared' => [], 'aids' => [], 'mass_kg' => null])->assertSessionHasNoErrors();
        $therapist = $this->case($this->visit(User::query()->findOrFail($user->id)));
        self::assertArrayNotHasKey('injured', $therapist);
        self::assertArrayNotHasKey('mass_kg', $therapist);
        self::assertNotContains('hand_tool', $therapist['tools']);
    }

    public function test_what_a_part_of_the_hand_may_be_asked_is_ones_own(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->put('/settings/own', [
            'thumb_minutes' => 20,
            'budgets' => ['thumb' => ['visit' => 4, 'week' => null], 'elbow' => ['day' => 60, 'week' => 200], 'wrist' => ['visit' => '']],
        ])->assertSessionHasNoErrors();
        $of = fn (): array => $this->case($this->visit(User::query()->findOrFail($user->id)))['budgets'];

        self::assertEquals(['thumb' => ['visit' => 4, 'day' => 20], 'elbow' => ['day' => 60, 'week' => 200]], $of());
        session()->forget('screen');
        $this->get('/')->assertInertia(fn ($page) => $page->where('hands.parts', []));
        $this->put('/settings/own', ['budgets' => ['elbow' => ['day' => -1]]])
            ->assertSessionHasErrors(['budgets.elbow.day' => 'Between 0 and 3000 minutes, please.']);
        $this->put('/settings/own', ['budgets' => ['toe' => ['day' => 5]]])->assertSessionHasErrors('budgets');
        $this->put('/settings/own', ['budgets' => ['elbow' => ['year' => 5]]])->assertSessionHasErrors('budgets.elbow');
        self::assertCount(2, $of(), 'what is refused changes nothing');
    }

    public function test_what_cannot_be_is_refused_in_words_and_reception_has_no_such_hands(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->put('/settings/own', ['spared' => ['hand_tool'], 'aids' => ['thumb'], 'mass_kg' => 12])
            ->assertSessionHasErrors(['spared.0', 'aids.0', 'mass_kg']);
        self::assertSame(70.0, $user->fresh()?->mass_kg);

        $desk = $this->therapist($user->clinic, Role::Reception);
        $this->actingAs($desk)->put('/settings/own', ['aids' => [], 'mass_kg' => 50])->assertSessionHasNoErrors();
        self::assertSame([70.0, []], [$desk->fresh()?->mass_kg, $desk->fresh()?->tools]);
        $this->get('/settings')->assertInertia(fn ($page) => $page->where('body', null));
    }

    public function test_who_is_new_owns_no_tool_until_they_say_so(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $this->actingAs($owner)->post('/people', [
            'name' => 'Ivo Lark', 'email' => 'ivo@quay.example', 'role' => 'therapist', 'licensed' => true,
        ])->assertSessionHasNoErrors();
        $person = User::query()->where('email', 'ivo@quay.example')->firstOrFail();

        self::assertContains('forearm', $person->tools);
        self::assertSame([], array_intersect(['hand_tool', 'percussion_tool'], $person->tools));
    }

    public function test_the_owner_says_who_was_trained_further_and_a_student_never_was(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $person = $this->therapist($owner->clinic);
        $this->actingAs($owner);
        foreach (
            [
                ['therapist', ['experience' => 'advanced', 'licensed' => true], 'advanced'],
                ['therapist', ['licensed' => true], 'qualified'],
                ['student', ['experience' => 'advanced', 'supervisor_id' => $owner->id], 'student'],
            ] as [$role, $told, $then]
        ) {
            $this->put("/people/{$person->id}", ['role' => $role, ...$told])->assertSessionHasNoErrors();
            self::assertSame($then, $person->fresh()?->experience);
        }
        $this->put("/people/{$person->id}", ['role' => 'therapist', 'experience' => 'wizard'])->assertSessionHasErrors('experience');
    }

    /** A visit in which one step was worked so firmly, so long, with such a tool. */
    private function worked(User $user, string $tool, float $pressure, int $seconds): Visit
    {
        $visit = $this->begun($user);
        $at = now()->toIso8601ZuluString();
        $where = ['muscle' => 'levator_scapulae', 'side' => 'left'];
        $this->tell(
            $visit,
            $this->happening('step_started', $where, $at),
            $this->happening('pass_reached', [...$where, 'pressure' => $pressure, 'seconds' => $seconds], $at),
            $this->happening('step_done', [...$where, 'seconds' => $seconds, 'technique' => 'compressive_hold', 'tool' => $tool], $at),
        )->assertOk();

        return $visit;
    }

    /** Hours lie between visits, and nobody locks a screen in a test. */
    private function begun(User $user): Visit
    {
        session()->forget('screen');

        return $this->visit($user);
    }

    /** @return array<string, mixed> */
    private function case(Visit $visit): array
    {
        return app(CaseAssembler::class)->document($visit->fresh() ?? $visit)['therapist'];
    }

    private function stamp(Visit $visit): string
    {
        return \App\Cases\Course::of(
            $visit->fresh() ?? $visit, app(\App\Cases\SoundRecords::class), app(\App\Cases\HandLoad::class),
        )->stamp();
    }
}
