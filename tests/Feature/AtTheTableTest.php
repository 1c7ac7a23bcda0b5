<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\TreatmentEvent;
use App\Models\Visit;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** Safety and consent while the work is running. */
final class AtTheTableTest extends TestCase
{
    public function test_consent_taken_back_at_the_table_is_taken_back_in_the_record_and_in_the_next_plan(): void
    {
        $visit = $this->prepared();
        $this->save($visit, 'consent', ['area' => 'front_of_neck', 'given' => true])->assertOk();
        $this->log($visit, 'consent_withdrawn', ['area' => 'front_of_neck'], '2026-11-25T10:02:00.000Z')->assertOk();

        $entry = $visit->entries()->where('kind', 'consent')->firstOrFail();
        self::assertEquals(['area' => 'front_of_neck', 'given' => false, 'said' => 'Taken back at the table.', 'asked_at' => '2026-11-25T10:02:00Z', 'asked_by' => 'Ada Thorn'], $entry->payload);
        self::assertSame(2, $entry->revision, 'both states are kept');
        $plan = $this->getJson("/visits/{$visit->public_id}/entries?step=plan")->json('plan');
        $needing = array_filter($plan['targets'] ?? [], static fn (array $target): bool => str_starts_with((string) $target['muscle'], 'sternocleidomastoid'));
        self::assertSame([], $needing);

        $this->log($visit, 'consent_given', ['area' => 'front_of_neck'], '2026-11-25T10:05:00.000Z')->assertOk();
        self::assertTrue($entry->refresh()->payload['given']);
        // an earlier word that arrives late changes nothing
        $this->log($visit, 'consent_withdrawn', ['area' => 'front_of_neck'], '2026-11-25T10:01:00.000Z')->assertOk();
        self::assertTrue($entry->refresh()->payload['given']);
        $this->log($visit, 'consent_withdrawn', ['area' => 'the moon'], '2026-11-25T10:06:00.000Z')->assertUnprocessable();
        $this->log($visit, 'consent_withdrawn', [], '2026-11-25T10:06:00.000Z')->assertUnprocessable();
    }

    public function test_after_an_answer_that_forbids_it_no_work_is_begun_but_what_happened_before_is_kept(): void
    {
        $visit = $this->prepared();
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $this->log($visit, 'step_started', ['muscle' => 'levator_scapulae', 'side' => 'left'], now()->toIso8601String())->assertJsonPath('refused', []);
        $this->travel(2)->minutes();
        $this->save($visit, 'red_flag', 'yes', 'face_droop_or_slurred_speech', 1)->assertOk()->assertJsonPath('safety.verdict', 'emergency');
        $this->travel(1)->minutes();

        $this->log($visit, 'step_started', ['muscle' => 'levator_scapulae', 'side' => 'left'], now()->toIso8601String())->assertOk()->assertJsonPath('kept', [])->assertJsonCount(1, 'refused');
        $this->log($visit, 'pass_reached', ['pressure' => 4], now()->toIso8601String())->assertJsonCount(1, 'refused');
        $this->log($visit, 'pass_reached', ['pressure' => 4], now()->subMinutes(2)->toIso8601String())->assertJsonCount(1, 'kept');
        $this->log($visit, 'stopped', ['sign' => 'faint'], now()->toIso8601String())->assertJsonCount(1, 'kept');
        self::assertSame(3, TreatmentEvent::query()->count());
        // nor by a link, nor by agreeing anew, nor by a decision in writing
        $this->get("/visits/{$visit->public_id}/work")->assertInertia(static fn ($page) => $page->where('line', static fn ($line): bool => collect($line)->firstWhere('id', 'work')['state'] === 'blocked'));
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasErrors('plan');
        $decision = ['verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Known to her doctor, seen today.', 'on' => $visit->day()];
        $this->save($visit, 'override', $decision)->assertOk()->assertJsonPath('safety.verdict', 'emergency');
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasErrors('plan');
    }

    private function prepared(): Visit
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);

        return $visit;
    }

    /**
     * @param  array<string, mixed>  $payload
     * @return TestResponse<Response>
     */
    private function log(Visit $visit, string $type, array $payload, string $at): TestResponse
    {
        return $this->postJson("/visits/{$visit->public_id}/events", ['events' => [['id' => (string) Str::ulid(), 'type' => $type, 'step' => 's01', 'payload' => $payload, 'happened_at' => $at]]]);
    }
}
