<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Str;
use Tests\TestCase;

final class LockTest extends TestCase
{
    public function test_nothing_gets_past_a_locked_screen_and_it_opens_where_it_was(): void
    {
        $visit = $this->visit($this->therapist());
        $work = "/visits/{$visit->public_id}/work";
        $this->postJson('/lock')->assertOk();

        $this->get($work)->assertRedirect('/locked');
        $this->getJson("/visits/{$visit->public_id}/entries")->assertStatus(423);
        $this->save($visit, 'complaint', ['zone' => 'neck_back', 'side' => 'left', 'now' => 3])->assertStatus(423);
        $this->postJson(
            "/visits/{$visit->public_id}/events",
            [
                'events' => [[
                    'id' => (string) Str::ulid(), 'type' => 'stopped', 'step' => 's1', 'payload' => [],
                    'happened_at' => now()->toIso8601String(),
                ]],
            ],
        )->assertStatus(423);
        $this->get('/locked')->assertInertia(fn ($page) => $page->component('Locked', false));
        self::assertSame(0, $visit->entries()->count());

        $this->post('/unlock', ['password' => 'wrong'])->assertSessionHasErrors('password');
        $this->get($work)->assertRedirect('/locked');
        $this->post('/unlock', ['password' => 'a good password'])->assertRedirect($work);
        $this->get($work)->assertOk();
    }

    public function test_it_holds_on_the_server_too_when_nobody_has_touched_it_for_as_long(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $idle = (int) $user->setting('idle_minutes');
        $this->get("/visits/{$visit->public_id}/ask")->assertOk();
        $this->travel($idle)->minutes();
        $this->postJson('/touched')->assertOk();
        $this->travel($idle)->minutes();
        // what a window asks for by itself is no touch
        $this->getJson("/visits/{$visit->public_id}/entries", ['X-Background' => '1'])->assertOk();
        $this->travel(2)->minutes();

        $this->getJson("/visits/{$visit->public_id}/entries", ['X-Background' => '1'])->assertStatus(423);
        $this->postJson('/touched')->assertStatus(423);
        $this->get("/visits/{$visit->public_id}/ask")->assertRedirect('/locked');
        $this->post('/unlock', ['password' => 'a good password'])->assertRedirect("/visits/{$visit->public_id}/ask");
        $this->get("/visits/{$visit->public_id}/ask")->assertOk();
    }

    public function test_a_request_that_began_before_the_lock_does_not_open_it_when_it_ends(): void
    {
        $this->actingAs($this->therapist());
        $this->get('/')->assertOk();
        $before = session()->all();
        $this->postJson('/lock')->assertOk();
        session()->replace($before); // the other request writes the session back as it had read it

        $this->get('/')->assertRedirect('/locked');
    }

    public function test_the_key_of_what_waits_in_a_browser_is_told_to_its_owner_alone_and_behind_no_lock(): void
    {
        $of = function (string $address): ?string {
            return preg_match('/name="somatrace-seal" content="([^"]+)"/', (string) $this->get($address)->getContent(), $found) === 1
                ? $found[1]
                : null;
        };
        self::assertNull($of('/sign-in'));
        $keys = [];
        foreach ([$this->therapist(), $this->therapist()] as $user) {
            $this->actingAs($user);
            $keys[] = $of('/');
            self::assertSame($keys[array_key_last($keys)], $of('/account'), 'the same on every page');
        }
        self::assertNotNull($keys[0]);
        self::assertNotSame($keys[0], $keys[1]);
        $this->postJson('/lock')->assertOk();
        self::assertNull($of('/locked'));
    }

    public function test_it_is_not_guessed(): void
    {
        $this->actingAs($this->therapist());
        $this->postJson('/lock');
        foreach (range(1, 5) as $try) {
            $this->postJson('/unlock', ['password' => "guess $try"])->assertStatus(422);
        }

        $this->postJson('/unlock', ['password' => 'a good password'])->assertStatus(429);
    }

    public function test_one_can_leave_from_it(): void
    {
        $this->actingAs($this->therapist());
        $this->postJson('/lock');

        $this->post('/sign-out')->assertRedirect('/sign-in');
    }
}
