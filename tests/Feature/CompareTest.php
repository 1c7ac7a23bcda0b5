<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Inertia\Testing\AssertableInertia as Assert;
use Tests\TestCase;

final class CompareTest extends TestCase
{
    public function test_every_moment_with_something_on_the_figure_is_offered_and_the_ends_are_chosen(): void
    {
        $user = $this->therapist();
        $first = $this->visit($user);
        $this->recordNeck($first);
        $this->save(
            $first, 'palpation', ['muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => 1], phase: 'after', step: 'recheck',
        )->assertOk();

        $this->get("/clients/{$first->client->public_id}/compare")->assertOk()->assertInertia(
            static fn (Assert $page) => $page->component('Client/Compare')
                ->where('moments.0.key', '1-before')->where('moments.1.key', '1-after')->count('moments', 2)
                ->where('moments.0.complaints.0.now', 6)->where('moments.1.palpations.0.tenderness', 1)
                ->where('from', '1-before')->where('to', '1-after'),
        );
        $this->get("/clients/{$first->client->public_id}/compare?from=1-after&to=nonsense")->assertInertia(
            static fn (Assert $page) => $page->where('from', '1-after')->where('to', '1-after'),
        );
    }

    public function test_a_client_without_findings_has_nothing_to_compare_and_reception_may_not_look(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $this->actingAs($user)
            ->get("/clients/{$client->public_id}/compare")
            ->assertInertia(static fn (Assert $page) => $page->where('moments', [])->where('from', null));
        $this->actingAs($this->therapist($user->clinic, Role::Reception))->get("/clients/{$client->public_id}/compare")->assertForbidden();
    }
}
