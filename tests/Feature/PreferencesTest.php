<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Inertia\Testing\AssertableInertia as Assert;
use Tests\TestCase;

/** What is remembered at a plan: in every plan of that therapist from then on, seen in the settings, and forgotten there. */
final class PreferencesTest extends TestCase
{
    public function test_what_is_remembered_is_in_the_next_plan_and_in_the_settings(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $techniques = fn (): array => array_column(array_merge(...array_column(
            $this->getJson("/visits/{$visit->public_id}/entries?step=plan")->json('plan.steps'), 'manoeuvres',
        )), 'technique');
        self::assertNotContains('stripping', $techniques());

        $this->putJson('/settings/prefers', ['muscle' => 'levator_scapulae', 'technique' => 'stripping'])->assertOk();
        self::assertContains('stripping', $techniques());
        $this->get('/settings')->assertInertia(static fn (Assert $page) => $page
            ->where('prefers.0.name', 'Levator scapulae')->where('prefers.0.words', 'slow stroke along the fibres')->etc());
        $this->put('/settings/own', ['theme' => 'dusk'])->assertSessionHasNoErrors();
        self::assertContains('stripping', $techniques(), 'other settings leave it');

        $this->putJson('/settings/prefers', ['muscle' => 'levator_scapulae'])->assertOk();
        self::assertNotContains('stripping', $techniques());
        $this->get('/settings')->assertInertia(static fn (Assert $page) => $page->where('prefers', [])->etc());
    }

    public function test_only_what_there_is_can_be_remembered_and_only_by_those_who_treat(): void
    {
        $user = $this->therapist();
        $this->actingAs($user)->putJson('/settings/prefers', ['muscle' => 'wing_flexor'])->assertJsonValidationErrors('muscle');
        $this->putJson('/settings/prefers', ['muscle' => 'soleus', 'tool' => 'hammer'])->assertJsonValidationErrors('tool');
        $this->actingAs($this->therapist($user->clinic, Role::Reception))
            ->putJson('/settings/prefers', ['muscle' => 'soleus', 'tool' => 'forearm'])->assertForbidden();
    }
}
