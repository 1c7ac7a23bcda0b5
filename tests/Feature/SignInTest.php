<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Tests\TestCase;

final class SignInTest extends TestCase
{
    public function test_a_stranger_is_sent_to_the_door(): void
    {
        foreach (['/', '/clients/new', '/clients'] as $path) {
            $this->get($path)->assertRedirect('/sign-in');
        }
    }

    public function test_the_right_words_open_it_and_renew_the_session(): void
    {
        $user = $this->therapist();
        $this->get('/sign-in');
        $before = session()->getId();
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password'])->assertRedirect('/');

        self::assertNotSame($before, session()->getId());
        $this->assertAuthenticatedAs($user);
    }

    public function test_wrong_words_are_refused_in_plain_ones_and_soon_rate_limited(): void
    {
        $user = $this->therapist();
        for ($try = 0; $try < 5; $try++) {
            $this->post('/sign-in', ['email' => $user->email, 'password' => 'wrong'])->assertSessionHasErrors([
                'email' => 'This address and password do not belong together.',
            ]);
        }
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password'])->assertSessionHasErrors('email');
        self::assertStringContainsString('Too many tries', (string) session('errors')?->first('email'));
        $this->assertGuest();
    }

    public function test_a_form_without_the_token_is_refused(): void
    {
        // the framework skips the check in tests; put it back for this one
        $this->app->instance('env', 'local');
        $this->post('/sign-in', ['email' => 'a@b.example', 'password' => 'x'])->assertStatus(419);
    }

    public function test_reception_reads_nothing_clinical(): void
    {
        $therapist = $this->therapist();
        $visit = $this->visit($therapist);
        $desk = $this->therapist($therapist->clinic, Role::Reception);
        $this->actingAs($desk);

        $this->get("/visits/{$visit->public_id}/ask")->assertForbidden();
        $this->getJson("/visits/{$visit->public_id}/entries")->assertForbidden();
        $this->get("/visits/{$visit->public_id}/case.json")->assertForbidden();
        $this->post("/clients/{$visit->client->public_id}/visits")->assertForbidden();
        $this->get("/clients/{$visit->client->public_id}")
            ->assertOk()
            ->assertInertia(fn ($page) => $page->where('clinical', false)->where('response', null)->where('visits', []));
        $this->get('/')->assertOk()->assertInertia(
            fn ($page) => $page->component('Desk')->missing('thoughts')->missing('hands')->missing('recent')->missing('unsigned'),
        );
    }
}
