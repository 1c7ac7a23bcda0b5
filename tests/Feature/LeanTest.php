<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use Inertia\Testing\AssertableInertia as Assert;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\TestCase;

/** One's own hands on the plate: kept, shown, reckoned with in every plan from then on, and forgotten. */
final class LeanTest extends TestCase
{
    public function test_what_was_made_is_kept_by_tool_and_aim_and_says_what_plans_reckon_with(): void
    {
        $this->actingAs($this->therapist());
        // an elbow at five is 80 N on the plate; this one makes a quarter more
        $this->hold('elbow', 5, 100)->assertOk()
            ->assertJsonPath('words', '25 % more than stands for it, and even: these hands are so.');
        $elbow = fn (): array => collect($this->get('/atlas/trainer/lean')->assertOk()->inertiaProps()['tools'])
            ->firstWhere('id', 'elbow');
        self::assertNull($elbow()['more'], 'one aim tells nothing');

        $this->hold('elbow', 3, 60)->assertOk()->assertJsonFragment(['id' => 'elbow', 'more' => 25]);
        [$more, $three] = [$elbow()['more'], $elbow()['aims'][0]];
        self::assertSame([25, 48, 60.0], [$more, (int) $three['force_n'], (float) $three['last']['force_n']]);
        $this->hold('elbow', 5, 80)->assertOk();
        self::assertSame(7, $elbow()['more'], 'the last hold of an aim counts: (3·60 + 5·80) / 34 against 16');

        $this->postJson('/atlas/trainer/lean', ['tool' => 'elbow', 'aimed' => 7, 'seen' => true, 'samples' => $this->samples(200)])
            ->assertOk()->assertJsonPath('made.error', 78.6);
        self::assertNull($elbow()['aims'][2]['last'], 'looked at while pressing, it is practice');

        $this->deleteJson('/atlas/trainer/lean/elbow')->assertOk();
        self::assertNull($elbow()['more']);
        self::assertNull($elbow()['aims'][0]['last']);
    }

    public function test_plans_reckon_with_it_and_no_other_setting_takes_it_away(): void
    {
        $user = $this->therapist();
        $user->update(['mass_kg' => 70]);
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $plan = fn (): array => $this->getJson("/visits/{$visit->public_id}/entries?step=plan")->assertOk()->json('plan');
        $usual = $plan();
        $tool = collect($usual['steps'])->firstWhere('kind', 'treat')['tool'];
        self::assertSame([[], null], [$usual['measured'], $usual['table']]);

        foreach ([3, 5] as $aimed) {
            $expected = $this->aim($tool, $aimed)['force_n'];
            $this->hold($tool, $aimed, 1.2 * $expected)->assertOk();
        }
        $this->put('/settings/own', ['theme' => 'dusk', 'table_cm' => 72])->assertSessionHasNoErrors();
        $own = $plan();

        self::assertSame([$tool], $own['measured']);
        self::assertEquals(72, $own['table']['cm'] + ($own['table']['lower'] ? 8 : 0));
        self::assertNotEquals(
            array_column($usual['steps'], 'passes'), array_column($own['steps'], 'passes'), 'forces and lean are these hands\'',
        );
    }

    /** @param  list<array{float, float}>|null  $samples */
    #[TestWith(['cup', 3, null, 'tool'], 'what lifts')]
    #[TestWith(['percussion_tool', 3, null, 'tool'], 'what is driven')]
    #[TestWith(['hammer', 3, null, 'tool'], 'what is no tool')]
    #[TestWith(['elbow', 10, null, 'aimed'], 'what is not aimed at')]
    #[TestWith(['palm', 7, null, 'aimed'], 'more than it goes')]
    #[TestWith(['elbow', 5, [[0, -3]], 'samples.0.1'], 'a force below nothing')]
    #[TestWith(['elbow', 5, [[0, 1501]], 'samples.0.1'], 'more than a case file holds')]
    #[TestWith(['elbow', 5, [[0, 80], [5]], 'samples.1'], 'half a reading')]
    #[TestWith(['elbow', 5, [], 'samples'], 'nothing')]
    public function test_bad_input_is_refused_and_changes_nothing(string $tool, int $aimed, ?array $samples, string $field): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->postJson('/atlas/trainer/lean', [
            'tool' => $tool, 'aimed' => $aimed, 'samples' => $samples ?? $this->samples(80),
        ])->assertUnprocessable()->assertJsonValidationErrors($field);

        self::assertSame([], $user->refresh()->holds());
    }

    public function test_what_was_let_go_of_is_not_kept_and_says_so(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->postJson('/atlas/trainer/lean', [
            'tool' => 'elbow', 'aimed' => 5, 'samples' => array_slice($this->samples(80), 0, 60),
        ])->assertUnprocessable()->assertJsonPath('message', 'Let go of too early, or hardly touched: nothing of it is kept.');

        self::assertSame([], $user->refresh()->holds());
    }

    public function test_the_plate_that_ships_answers_in_a_demo_and_nowhere_else(): void
    {
        $user = $this->therapist();
        $user->clinic->update(['demo' => true]);
        $ask = ['what' => 'elbow', 'side' => 'midline', 'repeat' => 1, 'about' => 80];
        $lines = explode("\n", trim((string) $this->actingAs($user)->post('/atlas/trainer/lean/plate', $ask)->assertOk()->getContent()));

        self::assertCount(101, $lines);
        self::assertStringContainsString('"state":"hold"', $lines[100]);
        $this->get('/atlas/trainer/lean')->assertInertia(static fn (Assert $page) => $page->where('plate.simulated', true)->etc());
        $user->clinic->update(['demo' => false]);
        $this->actingAs(User::query()->findOrFail($user->id))->post('/atlas/trainer/lean/plate', $ask)->assertNotFound();
        $this->get('/atlas/trainer/lean')->assertInertia(static fn (Assert $page) => $page->where('plate', null)->etc());
        config(['somatrace.devices.plate' => 'http://127.0.0.1:9/plate']);
        $this->get('/atlas/trainer/lean')->assertInertia(static fn (Assert $page) => $page
            ->where('plate', ['address' => 'http://127.0.0.1:9/plate', 'simulated' => false])->etc());
    }

    public function test_reception_has_no_plate(): void
    {
        $this->actingAs($this->therapist(role: Role::Reception))->get('/atlas/trainer/lean')->assertForbidden();
    }

    public function test_a_table_stands_between_40_and_110(): void
    {
        $this->actingAs($this->therapist());
        $this->put('/settings/own', ['table_cm' => 30])->assertSessionHasErrors(['table_cm' => 'Between 40 and 110 cm, please.']);
        $this->put('/settings/own', ['table_cm' => 70])->assertSessionHasNoErrors();
    }

    /** @return list<array{int, float}> ten seconds of it */
    private function samples(float $force): array
    {
        return array_map(static fn (int $at): array => [$at, $force], range(0, 10_000, 100));
    }

    private function hold(string $tool, int $aimed, float $force): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/atlas/trainer/lean', ['tool' => $tool, 'aimed' => $aimed, 'samples' => $this->samples($force)]);
    }

    /** @return array<string, mixed> */
    private function aim(string $tool, int $aimed): array
    {
        $tools = collect($this->get('/atlas/trainer/lean')->inertiaProps()['tools']);

        return collect($tools->firstWhere('id', $tool)['aims'])->firstWhere('felt', $aimed);
    }
}
