<?php

declare(strict_types=1);

namespace Tests\Feature;

use Inertia\Testing\AssertableInertia as Assert;
use Tests\TestCase;

/** The plan on one page: what stands, until one is agreed; then that. */
final class PlanPaperTest extends TestCase
{
    public function test_the_agreed_plan_is_printed_once_there_is_one(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->get("/visits/{$visit->public_id}/plan/client")->assertInertia(static fn (Assert $page) => $page
            ->component('Visit/PlanForClient')->where('agreed', null)->where('client.name', $visit->client->name)
            ->where('plan.verdict', 'planned')->where('minutes', 60)->etc());
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $this->put("/visits/{$visit->public_id}", ['minutes' => 30]);
        $this->get("/visits/{$visit->public_id}/plan/table")->assertInertia(static fn (Assert $page) => $page
            ->component('Visit/PlanForTable')
            ->where('agreed', static fn (mixed $at): bool => is_string($at) && preg_match('/\d\d:\d\d$/', $at) === 1)
            ->where('plan.benefit', $visit->plans()->sole()->document['benefit'])->etc());
    }

    public function test_there_is_no_paper_for_anybody_else(): void
    {
        $visit = $this->visit($this->therapist());
        $this->get("/visits/{$visit->public_id}/plan/landlord")->assertNotFound();
    }
}
