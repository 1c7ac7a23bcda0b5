<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\Judgements;
use App\Models\TreatmentEvent;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Str;
use Somatrace\Core\Clinic;
use Tests\TestCase;

final class WholeVisitTest extends TestCase
{
    public function test_work_waits_for_the_answers_and_the_agreed_plan_is_the_one_that_is_worked(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasErrors('plan');
        $this->assertDatabaseCount('plans', 0);

        $this->denyEverything($visit);
        $this->post("/visits/{$visit->public_id}/plan")->assertRedirect("/visits/{$visit->public_id}/work");
        $agreed = $visit->plans()->firstOrFail()->document;
        self::assertContains('levator_scapulae', array_column($agreed['targets'], 'muscle'));

        // a later change of the minutes makes another plan, not another agreement
        $this->put("/visits/{$visit->public_id}", ['minutes' => 30])->assertRedirect();
        self::assertSame($agreed['minutes'], $visit->plans()->firstOrFail()->document['minutes']);
    }

    public function test_a_plan_agreed_before_its_parts_were_told_apart_is_worked_as_it_was_agreed(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->post("/visits/{$visit->public_id}/plan")->assertRedirect();
        $plan = $visit->plans()->firstOrFail();
        $steps = array_map(
            static fn (array $step): array => [
                ...array_diff_key($step, ['cautions' => 0]), 'find' => 'First here → then there. Proof: shrug.',
                'watch' => ['warmth: slowly'],
            ],
            $plan->document['steps'],
        );
        DB::table('plans')->where('id', $plan->id)->update(['document' => json_encode([...$plan->document, 'steps' => $steps])]);

        $this->get("/visits/{$visit->public_id}/work")->assertInertia(fn ($page) => $page
            ->where('agreed.plan.steps.1.find', ['First here', 'then there. Proof: shrug.'])
            ->where('agreed.plan.steps.1.cautions', [['kind' => 'safety', 'id' => '', 'text' => 'warmth: slowly']])
            ->missing('agreed.plan.steps.1.watch'));
    }

    public function test_an_emergency_is_never_planned(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->save($visit, 'red_flag', 'yes', 'face_droop_or_slurred_speech', 1)
            ->assertOk()
            ->assertJsonPath('safety.verdict', 'emergency');
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasErrors('plan');
    }

    public function test_events_are_accepted_once_in_any_order_late_or_twice(): void
    {
        $visit = $this->visit($this->therapist());
        $started = $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']);
        $first = $this->happening('pass_reached', ['pressure' => 4, 'seconds' => 60, 'tissue_kpa' => 100]);
        $second = $this->happening('pass_reached', ['pressure' => 5, 'seconds' => 50, 'tissue_kpa' => 130]);
        $done = $this->happening('step_done', ['seconds' => 180, 'tool' => 'knuckle']);
        $sign = $this->happening('sign', ['sign' => 'softened']);

        $this->tell($visit, $done, $second)->assertOk()->assertJsonPath('kept', fn (array $kept): bool => count($kept) === 2);
        $this->tell($visit, $sign, $second, $first, $started)->assertOk();

        self::assertSame(5, TreatmentEvent::query()->count());
        $this->get("/visits/{$visit->public_id}/after")->assertInertia(fn ($page) => $page
            ->where('done.0.muscle', 'levator_scapulae')
            ->where('done.0.max_pressure', 5)
            ->where('done.0.seconds_at_pressure', 110)
            ->where('done.0.dose_kpa_s', 12500)
            ->where('done.0.minutes', 3)
            ->where('done.0.signs', ['softened']));
    }

    public function test_a_signed_record_is_frozen_and_a_correction_stands_beside_it(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Levator, left.', 'advice' => 'Turn slowly.'])->assertRedirect();

        $this->save($visit, 'palpation', ['muscle' => 'masseter', 'side' => 'left', 'tenderness' => 1])->assertForbidden();
        $this->postJson("/visits/{$visit->public_id}/sign", ['happened' => 'Again.', 'key' => (string) Str::ulid()])
            ->assertConflict()
            ->assertJsonPath('message', static fn (string $words): bool => str_starts_with($words, 'Ada Thorn signed this visit at '));
        $this->post("/visits/{$visit->public_id}/correct", ['happened' => 'Levator, right.'])->assertSessionHasErrors('reason');
        $this->post("/visits/{$visit->public_id}/correct", ['happened' => 'Levator, right.', 'reason' => 'Sides were swapped.'])
            ->assertRedirect();

        self::assertSame(['Levator, left.', 'Levator, right.'], $visit->notes()->orderBy('revision')->pluck('happened')->all());
        $frozen = $visit->notes()->firstOrFail();
        self::assertSame('levator_scapulae', $frozen->results['pattern']['candidates'][0]['muscle']);
        self::assertSame(6, $frozen->case_document['findings']['complaints'][0]['now']);
    }

    public function test_the_second_visit_says_what_changed_and_what_that_means(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $first = $this->visit($user, $client);
        $this->recordNeck($first, 7);
        $this->denyEverything($first);
        $events = [
            ['step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']],
            ['pass_reached', ['pressure' => 5, 'seconds' => 80, 'tissue_kpa' => 160]], ['step_done', ['seconds' => 300]],
        ];
        $this->tell($first, ...array_map(fn (array $event): array => $this->happening(...$event), $events))->assertOk();
        $this->post("/visits/{$first->public_id}/sign", ['happened' => 'Levator left, to five.'])->assertRedirect();

        $this->travel(7)->days();
        $second = $this->visit($user, $client);
        $this->recordNeck($second, 4);
        $this->save($second, 'aftermath', ['hours' => 48, 'soreness_hours' => 10, 'worse' => false])->assertOk();
        $response = $this->getJson("/visits/{$second->public_id}/entries?step=after")->json('response');

        self::assertSame('continue', $response['course']['decision']);
        self::assertSame(
            [['muscle' => 'levator_scapulae', 'decision' => 'progress', 'pressure_step' => 1]],
            array_map(
                static fn (array $target): array => array_intersect_key($target, ['muscle' => 1, 'decision' => 1, 'pressure_step' => 1]),
                $response['targets'],
            ),
        );
        $plan = $this->getJson("/visits/{$second->public_id}/entries?step=plan")->json('plan');
        $step = array_values(array_filter(
            $plan['steps'],
            static fn (array $step): bool => $step['muscle'] === 'levator_scapulae' && $step['kind'] === 'treat' && ! $step['other_side'],
        ))[0];
        self::assertSame(6, $step['ceiling']['felt'], 'five was borne: one more at most');
    }

    public function test_the_exported_case_reads_as_the_same_case(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $text = (string) $this->get("/visits/{$visit->public_id}/case.json")->assertOk()->getContent();
        $case = app(Clinic::class)->reader()->read($text);

        self::assertSame('levator_scapulae', $case->findings->palpation[0]->muscle);
        self::assertSame('proceed', app(Clinic::class)->screen($case)->verdict->value);
    }

    public function test_a_judgement_is_computed_once_and_read_from_the_store_while_the_case_is_the_same(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->get("/visits/{$visit->public_id}/think")->assertOk();
        DB::table('judgements')->where('kind', 'pattern')->update([
            'document' => json_encode(['candidates' => [], 'none' => 0.5, 'next_checks' => []]),
        ]);
        $this->get("/visits/{$visit->public_id}/think")->assertInertia(fn ($page) => $page->where('pattern.none', 0.5));

        $this->save($visit, 'complaint', ['zone' => 'temple', 'side' => 'left', 'now' => 2])->assertOk();
        $this->get("/visits/{$visit->public_id}/think")->assertInertia(
            fn ($page) => $page->where('pattern.candidates.0.muscle', 'levator_scapulae'),
        );
    }

    public function test_over_http_a_judgement_is_stored_once_it_has_been_answered(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        (new \ReflectionProperty(Application::class, 'isRunningInConsole'))->setValue($this->app, false);
        $stored = static fn (): int => DB::table('judgements')->where('kind', 'pattern')->count();
        $meanwhile = null;
        Event::listen(RequestHandled::class, static function () use ($stored, $visit, &$meanwhile): void {
            $meanwhile = [$stored(), app(Judgements::class)->of($visit, 'pattern')['pattern']['candidates'][0]['muscle'], $stored()];
        });

        $this->get("/visits/{$visit->public_id}/think")->assertOk();

        self::assertSame([0, 'levator_scapulae', 0], $meanwhile, 'whoever asks again meanwhile is told the same');
        self::assertSame(1, $stored());
        self::assertSame(1, DB::table('judgements')->where('kind', 'chains')->count(), 'all of them at once');
    }

    public function test_no_page_asks_the_database_more_than_twelve_times(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        foreach (
            ['/', "/clients/{$visit->client->public_id}", "/visits/{$visit->public_id}/feel", "/visits/{$visit->public_id}/after"] as $path
        ) {
            $this->get($path)->assertOk(); // the first look may compute and store
            DB::enableQueryLog();
            DB::flushQueryLog();
            $this->get($path)->assertOk();
            self::assertLessThanOrEqual(12, count(DB::getQueryLog()), $path);
        }
    }
}
