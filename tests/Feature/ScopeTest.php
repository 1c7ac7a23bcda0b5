<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Inertia\Testing\AssertableInertia as Assert;
use Tests\TestCase;

final class ScopeTest extends TestCase
{
    public function test_what_is_off_here_is_in_no_plan_and_the_reason_is_read_there(): void
    {
        $user = $this->therapist(role: Role::Owner);
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $techniques = fn (): array => array_column(array_merge(...array_column(
            $this->getJson("/visits/{$visit->public_id}/entries?step=plan")->json('plan.steps'), 'manoeuvres',
        )), 'technique');
        self::assertContains('trigger_point_hold', $techniques());

        $this->put('/clinic/scope', ['off' => [['id' => 'trigger_point_hold', 'reason' => 'Not in our licence.']]])
            ->assertSessionHasNoErrors();

        self::assertNotContains('trigger_point_hold', $techniques());
        $this->get("/visits/{$visit->public_id}/plan")->assertInertia(
            static fn (Assert $page) => $page->where('off_here.0.reason', 'Not in our licence.'),
        );
        $this->get('/clinic/scope')->assertInertia(
            static fn (Assert $page) => $page->component('Scope')->where(
                'techniques', static fn ($all): bool => collect($all)->firstWhere('id', 'trigger_point_hold')['off'] === true,
            ),
        );
        $this->put('/clinic/scope', ['off' => []])->assertSessionHasNoErrors();
        self::assertContains('trigger_point_hold', $techniques());
    }

    public function test_a_reason_is_asked_and_nonsense_refused_and_reception_may_not(): void
    {
        $user = $this->therapist(role: Role::Owner);
        $this->actingAs($user)
            ->put('/clinic/scope', ['off' => [['id' => 'trigger_point_hold', 'reason' => '']]])
            ->assertSessionHasErrors(['off.0.reason' => 'Say why, in a few words: it is read where it is missed.']);
        $this->put('/clinic/scope', ['off' => [['id' => 'magic', 'reason' => 'It is magic.']]])->assertSessionHasErrors('off.0.id');
        self::assertSame([], $user->clinic->refresh()->scope_off);
        $reception = $this->therapist($user->clinic, Role::Reception);
        $this->actingAs($reception)->get('/clinic/scope')->assertForbidden();
        $this->actingAs($reception)->put('/clinic/scope', ['off' => []])->assertForbidden();
    }
}
