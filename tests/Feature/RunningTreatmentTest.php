<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CaseAssembler;
use App\Models\Visit;
use App\Models\VisitStatus;
use Somatrace\Core\Clinic;
use Tests\TestCase;

/** A treatment that runs is planned anew from where it stands at the table. */
final class RunningTreatmentTest extends TestCase
{
    public function test_what_was_done_and_where_it_stands_is_told_by_the_case(): void
    {
        [$visit, $steps] = $this->agreed();
        self::assertArrayNotHasKey('done_steps', $this->case($visit)['session'], 'nothing was begun');
        [$settle, $warmUp, $treat] = [$this->first($steps, 'settle'), $this->first($steps, 'warm_up'), $this->first($steps, 'treat')];
        $this->work($visit, $settle, 60);
        $this->work($visit, $warmUp, 150);
        $this->begin($visit, $treat);
        $this->pass($visit, $treat, 4.5, 40);
        $this->tell($visit, $this->happening('sign', ['sign' => 'softened'], step: $treat['id']))->assertOk();

        $case = $this->case($visit);

        self::assertSame(
            ['settle', 'warm_up', 'treat'], array_column($case['session']['done_steps'], 'kind'), 'the one in hand as far as it was worked',
        );
        [, $warmed, $worked] = $case['session']['done_steps'];
        self::assertEquals([2.5, $warmUp['places'], $warmUp['position']], [$warmed['minutes'], $warmed['zones'], $warmed['position']]);
        self::assertSame(
            ['levator_scapulae', 'left', $treat['id'], 1], [$worked['muscle'], $worked['side'], $worked['step'], $worked['round']],
        );
        $pressed = array_values(array_filter($treat['manoeuvres'], static fn (array $one): bool => $one['pressure'] !== null))[0];
        $done = array_values(array_filter($worked['manoeuvres'], static fn (array $one): bool => isset($one['pressure'])));
        self::assertSame([$pressed['technique'], 4.5], [$done[0]['technique'], $done[0]['pressure']], 'as strong as it was, not as meant');
        self::assertEqualsWithDelta(40, array_sum(array_column($done, 'seconds')), 1);
        self::assertSame('softened', $worked['manoeuvres'][count($worked['manoeuvres']) - 1]['answer']);
        self::assertSame($treat['position'], $case['session']['now']['position']);
        self::assertEqualsWithDelta(60 - 250 / 60, $case['session']['now']['minutes_left'], 0.1);
        self::assertFalse($case['session']['now']['gloved']);
        $read = app(Clinic::class)->reader()->read((string) json_encode($case));
        self::assertCount(3, $read->session->doneSteps, 'a sound case file');
    }

    public function test_a_plan_of_the_rest_goes_on_with_it_and_its_steps_are_its_own(): void
    {
        [$visit, $steps] = $this->agreed();
        $treats = array_values(array_filter($steps, static fn (array $one): bool => $one['kind'] === 'treat'));
        foreach ($steps as $step) {
            $this->work($visit, $step, (int) (60 * $step['minutes']));
            if ($step['id'] === $treats[count($treats) - 1]['id']) {
                break;
            }
        }
        $this->get("/visits/{$visit->public_id}/plan")->assertInertia(
            static fn ($page) => $page
                ->where('plan.steps', static fn ($rest): bool => ! in_array('settle', collect($rest)->pluck('kind')->all(), true)
                    && $rest[0]['kind'] === 'recheck')
                ->where('minutes_left', static fn (float $left): bool => $left > 20 && $left < 60),
        );

        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $rest = array_column($visit->plans()->latest('id')->firstOrFail()->document['steps'], null, 'id');

        self::assertSame([], array_intersect(array_keys($rest), array_column($steps, 'id')), 'what was done ends nothing of the new plan');
        $this->work($visit, array_values($rest)[0], 60);
        $done = $this->case($visit)['session']['done_steps'];
        self::assertSame(array_key_first($rest), $done[count($done) - 1]['step'], 'both plans count as done');
        self::assertContains($steps[0]['id'], array_column($done, 'step'));
    }

    public function test_a_skip_and_a_stop_are_told_apart(): void
    {
        [$visit, $steps] = $this->agreed();
        $treat = $this->first($steps, 'treat');
        $this->begin($visit, $treat);
        $this->pass($visit, $treat, 3, 20);
        $this->tell($visit, $this->happening('step_skipped', ['seconds' => 30], step: $treat['id']))->assertOk();

        $done = $this->case($visit)['session']['done_steps'];

        self::assertSame(
            [false, true], array_map(static fn (array $one): bool => $one['skipped'] ?? false, $done), 'worked a little, then left',
        );
        self::assertSame([0.5, 0], array_column($done, 'minutes'));
        $this->get("/visits/{$visit->public_id}/plan")->assertInertia(static fn ($page) => $page->where(
            'plan.targets',
            static fn ($targets): bool => collect($targets)->where('muscle', 'levator_scapulae')->where('side', 'left')->isEmpty(),
        ));

        [$visit, $steps] = $this->agreed();
        $treat = $this->first($steps, 'treat');
        $this->begin($visit, $treat);
        $this->tell($visit, $this->happening('stopped', ['seconds' => 12], step: $treat['id']))->assertOk();
        $stopped = $this->case($visit)['session']['done_steps'][0];
        self::assertSame([true, 0.2], [$stopped['stopped'], $stopped['minutes']]);
        self::assertArrayNotHasKey('manoeuvres', $stopped, 'no pass was reached');
    }

    public function test_a_visit_laid_aside_does_not_run_meanwhile_and_one_that_is_over_is_not_planned_anew(): void
    {
        [$visit, $steps] = $this->agreed();
        $this->work($visit, $steps[0], 60);
        foreach (range(1, 8) as $look) {
            $this->travel(4)->minutes();
            $this->get('/')->assertOk(); // somebody is there, and at something else
        }
        $this->work($visit, $steps[1], 60);
        self::assertEqualsWithDelta(58.0, $this->case($visit)['session']['now']['minutes_left'], 0.1);

        foreach (array_slice($steps, 2) as $step) {
            $this->tell($visit, $this->happening('step_done', ['seconds' => 10], step: $step['id']))->assertOk();
        }
        self::assertArrayNotHasKey('now', $this->case($visit)['session']);
        $this->get("/visits/{$visit->public_id}/plan")->assertInertia(static fn ($page) => $page
            ->where('plan.steps.0.kind', 'settle')->where('minutes_left', null));
    }

    /** Read against steps written by hand, so that every figure can be read here. */
    public function test_what_the_hands_did_is_told_pass_by_pass(): void
    {
        $hold = ['technique' => 'compressive_hold', 'spots' => ['one', 'two'], 'setup' => null, 'tool' => 'thumb', 'product' => null];
        $times = ['seconds' => 10, 'repeats' => 3];
        $step = ['kind' => 'treat', 'muscle' => 'levator_scapulae', 'joint' => null, 'side' => 'left', 'round' => null];
        $step['position'] = 'prone';
        $oiled = [['zone' => 'neck_side', 'side' => 'left']];
        [$visit] = $this->agreedAs([
            ['id' => 'a', 'places' => $oiled, 'manoeuvres' => [
                ['technique' => 'stripping', 'spots' => [], 'pressure' => 4, 'product' => 'light_oil'] + $hold + $times,
                ['pressure' => null] + $hold + $times,
                ['pressure' => 5] + $hold + $times,
                ['technique' => 'passive_stretch', 'spots' => [], 'pressure' => null, 'product' => 'none'] + $hold + $times,
            ]] + $step,
            ['id' => 'b', 'kind' => 'hygiene', 'muscle' => null, 'side' => null, 'what' => 'glove_on'] + $step,
            ['id' => 'c', 'kind' => 'hygiene', 'muscle' => null, 'side' => null, 'what' => 'wipe'] + $step,
            ['id' => 'd', 'kind' => 'hygiene', 'muscle' => null, 'side' => null, 'what' => 'glove_off_wash'] + $step,
            ['id' => 'e', 'muscle' => null, 'joint' => ['id' => 'neck', 'level' => 'C2'], 'places' => $oiled] + $step,
            ['id' => 'f', 'muscle' => null, 'side' => null, 'kind' => 'finish'] + $step,
        ]);
        $this->tell($visit, $this->happening('sign', ['sign' => 'softened'], step: 's99'))->assertOk();
        self::assertArrayNotHasKey('now', $this->case($visit)['session'], 'a step of no plan begins nothing');

        $a = ['id' => 'a'] + $step;
        $this->begin($visit, $a);
        self::assertArrayNotHasKey('done_steps', $this->case($visit)['session'], 'begun, nothing pressed');
        $this->pass($visit, $a, 3.5, 40);
        $told = $this->case($visit)['session'];
        self::assertSame([['stripping', null, 40.0, 3.5]], $this->told($told['done_steps'][0]), 'the second waits for the second pass');
        self::assertSame(0.67, $told['done_steps'][0]['minutes'], 'of 40 seconds');
        self::assertSame($oiled, $told['now']['oiled']);
        $this->pass($visit, $a, 5, 50);
        self::assertSame(
            [
                ['stripping', null, 40.0, 3.5], ['compressive_hold', 'one', 30.0, null], ['compressive_hold', 'two', 30.0, null],
                ['compressive_hold', 'one', 25.0, 5.0], ['compressive_hold', 'two', 25.0, 5.0],
            ],
            $this->told($this->case($visit)['session']['done_steps'][0]), 'what is not pressed lies between passes',
        );
        $this->tell($visit, $this->happening('step_done', ['seconds' => 100], step: 'a'))->assertOk();
        $told = $this->told($this->case($visit)['session']['done_steps'][0]);
        self::assertSame(['passive_stretch', null, 30.0, null], $told[count($told) - 1], 'done to its end, all of it was done');

        foreach (['b' => [true, true], 'c' => [true, false], 'd' => [false, false]] as $id => $hands) {
            $this->work($visit, ['id' => $id, 'muscle' => null], 10);
            $now = $this->case($visit)['session']['now'];
            self::assertSame($hands, [$now['gloved'], isset($now['oiled'])], "after $id");
        }
        $this->work($visit, ['id' => 'e', 'muscle' => null], 15);
        $done = $this->case($visit)['session']['done_steps'];
        self::assertSame([['id' => 'neck', 'level' => 'C2'], 0.25], [$done[4]['joint'], $done[4]['minutes']]);
        $visit->update(['status' => VisitStatus::Signed]);
        self::assertArrayNotHasKey('now', $this->case($visit)['session'], 'what is signed does not run');
    }

    /**
     * @param  array<string, mixed>  $step
     * @return list<array{string, string|null, float, float|null}>  technique, spot, seconds and pressure, as the case tells them
     */
    private function told(array $step): array
    {
        return array_map(
            static fn (array $one): array => [$one['technique'], $one['spot'] ?? null, $one['seconds'], $one['pressure'] ?? null],
            $step['manoeuvres'],
        );
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return array{Visit}
     */
    private function agreedAs(array $steps): array
    {
        [$visit] = $this->agreed();
        $plan = $visit->plans()->firstOrFail();
        $plan->update(['document' => ['steps' => $steps] + $plan->document]);

        return [$visit];
    }

    /** @return array{Visit, list<array<string, mixed>>} with the steps that were agreed */
    private function agreed(): array
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();

        return [$visit, $visit->plans()->firstOrFail()->document['steps']];
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return array<string, mixed>
     */
    private function first(array $steps, string $kind): array
    {
        return array_values(array_filter($steps, static fn (array $one): bool => $one['kind'] === $kind))[0];
    }

    /** @param  array<string, mixed>  $step */
    private function begin(Visit $visit, array $step): void
    {
        $of = $step['muscle'] === null ? [] : ['muscle' => $step['muscle'], 'side' => $step['side']];
        $this->tell($visit, $this->happening('step_started', $of, step: $step['id']))->assertOk();
    }

    /** @param  array<string, mixed>  $step */
    private function pass(Visit $visit, array $step, float $pressure, int $seconds): void
    {
        $this->travel($seconds)->seconds();
        $this->tell($visit, $this->happening('pass_reached', ['pressure' => $pressure, 'seconds' => $seconds], step: $step['id']))
            ->assertOk();
    }

    /**
     * Begun and done to its end.
     *
     * @param  array<string, mixed>  $step
     */
    private function work(Visit $visit, array $step, int $seconds): void
    {
        $this->begin($visit, $step);
        $this->travel($seconds)->seconds();
        $this->tell($visit, $this->happening('step_done', ['seconds' => $seconds], step: $step['id']))->assertOk();
    }

    /** @return array<string, mixed> */
    private function case(Visit $visit): array
    {
        return app(CaseAssembler::class)->document($visit->refresh());
    }
}
