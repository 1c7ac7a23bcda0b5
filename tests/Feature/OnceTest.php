<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;

/** A deed sent twice happens once, and whoever sends it is told what came of it the first time. */
final class OnceTest extends TestCase
{
    public function test_a_visit_begun_twice_with_one_key_is_one_visit_even_when_it_was_signed_meanwhile(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $key = (string) Str::ulid();
        $this->actingAs($user)->post("/clients/{$client->public_id}/visits", ['key' => $key])->assertRedirect();
        $visit = $client->visits()->firstOrFail();
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Talked.'])->assertRedirect();

        $this->post("/clients/{$client->public_id}/visits", ['key' => $key])->assertRedirect("/visits/{$visit->public_id}/ask");
        self::assertSame(1, $client->visits()->count());
        $this->post("/clients/{$client->public_id}/visits", ['key' => (string) Str::ulid()]);
        self::assertSame(2, $client->visits()->count());
    }

    public function test_a_note_signed_twice_with_one_key_is_signed_once(): void
    {
        $visit = $this->visit($this->therapist());
        $sign = ['happened' => 'Levator, left.', 'key' => (string) Str::ulid()];
        $first = $this->postJson("/visits/{$visit->public_id}/sign", $sign)->assertOk()->json();

        $this->postJson("/visits/{$visit->public_id}/sign", $sign)->assertOk()->assertExactJson($first);
        $this->postJson("/visits/{$visit->public_id}/sign", ['happened' => 'Levator, right.', 'key' => (string) Str::ulid()])
            ->assertConflict();
        self::assertSame(['Levator, left.'], $visit->notes()->pluck('happened')->all());

        $correct = ['happened' => 'Levator, right.', 'reason' => 'Sides were swapped.', 'key' => (string) Str::ulid()];
        $this->post("/visits/{$visit->public_id}/correct", $correct)->assertRedirect();
        $this->post("/visits/{$visit->public_id}/correct", $correct)->assertRedirect();
        self::assertSame(2, $visit->notes()->count());
    }

    public function test_booking_a_client_and_a_plan_sent_twice_are_there_once(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $this->actingAs($user);
        $book = ['day' => '2027-01-11', 'time' => '10:00', 'minutes' => 60, 'key' => (string) Str::ulid()];
        $new = ['name' => 'Orla Pike', 'pronoun' => 'she', 'born_on' => '1980-02-03', 'skin' => 'usual', 'key' => (string) Str::ulid()];
        $visit = $this->visit($user, $client);
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $plan = ['key' => (string) Str::ulid()];
        foreach ([1, 2] as $time) {
            $this->post("/clients/{$client->public_id}/appointments", $book)->assertSessionHasNoErrors();
            $this->post('/clients', $new)->assertSessionHasNoErrors();
            $this->post("/visits/{$visit->public_id}/plan", $plan)->assertSessionHasNoErrors();
        }

        self::assertSame(
            [1, 1, 1],
            [DB::table('appointments')->count(), DB::table('clients')->where('name', 'Orla Pike')->count(), DB::table('plans')->count()],
        );
    }

    public function test_a_deed_without_a_key_and_a_key_used_for_something_else_are_refused(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $key = (string) Str::ulid();
        $this->actingAs($user)->postJson("/clients/{$client->public_id}/visits", [])->assertUnprocessable();
        $this->postJson("/clients/{$client->public_id}/visits", ['key' => strtolower($key)])->assertUnprocessable();
        $this->postJson("/clients/{$client->public_id}/visits", ['key' => $key]);

        $this->postJson(
            "/clients/{$client->public_id}/appointments", ['day' => '2027-01-11', 'time' => '10:00', 'minutes' => 60, 'key' => $key],
        )
            ->assertUnprocessable()
            ->assertJsonPath('errors.key.0', 'This was sent before, for something else. Load the page anew, please.');
        $this->actingAs($this->therapist($user->clinic))
            ->postJson("/clients/{$client->public_id}/visits", ['key' => $key])
            ->assertUnprocessable();
        self::assertSame(0, DB::table('appointments')->count());
    }
}
