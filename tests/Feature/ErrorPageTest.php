<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;
use Inertia\Inertia;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;
use Tests\TestCase;

/** What goes wrong says what happened, what to do now, and whom to ask; and never who else there is. */
final class ErrorPageTest extends TestCase
{
    public function test_who_may_not_is_told_whom_of_their_own_clinic_to_ask(): void
    {
        $therapist = $this->therapist();
        $owner = $this->therapist($therapist->clinic, Role::Owner);
        $owner->update(['name' => 'Ida Vane']);
        $gone = $this->therapist($therapist->clinic, Role::Owner);
        $gone->update(['name' => 'Left Us', 'deactivated_at' => now()]);
        $this->therapist(role: Role::Owner)->update(['name' => 'Of Elsewhere']);

        $this->actingAs($therapist)->get('/people')->assertForbidden()->assertInertia(fn ($page) => $page
            ->component('Error', false)->where('status', 403)->where('keepers', ['Ida Vane'])->where('user.name', $therapist->name));
        $this->get('/nowhere/at/all')->assertNotFound()->assertInertia(
            fn ($page) => $page->where('keepers', [])->where('user.name', $therapist->name),
        );
    }

    public function test_too_often_says_when_it_goes_on(): void
    {
        Route::get('/too-often', static fn () => throw new TooManyRequestsHttpException(42));

        $this->get('/too-often')->assertStatus(429)->assertHeader('Retry-After', '42')->assertInertia(
            fn ($page) => $page->where('status', 429)->where('retry', 42),
        );
    }

    public function test_where_no_page_can_be_made_a_plain_sheet_says_what_to_do(): void
    {
        Schema::drop('clinics');
        Inertia::setRootView('none');

        $answer = $this->get('/nowhere/at/all')->assertStatus(500);
        self::assertStringContainsString('Something broke, on our side', (string) $answer->getContent());
        self::assertStringNotContainsString('SQLSTATE', (string) $answer->getContent());
        $answer->assertHeader('X-Frame-Options', 'DENY');
    }

    public function test_a_window_that_asks_for_data_gets_data(): void
    {
        $this->getJson('/nowhere/at/all')->assertNotFound()->assertHeader('Content-Type', 'application/json');
    }
}
