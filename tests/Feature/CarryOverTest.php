<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\CaseAssembler;
use App\Models\Visit;
use Somatrace\Core\Clinic as Core;
use Tests\TestCase;

/**
 * A second visit opens on what is known: nothing that was answered is asked again, and nothing of last time is today's unless somebody
 * says so.
 */
final class CarryOverTest extends TestCase
{
    public function test_only_what_is_asked_every_visit_is_asked_a_week_later(): void
    {
        $second = $this->aWeekLater($this->first());

        $asked = array_column($this->props($second, 'screen')['safety']['questions'], 'id');

        self::assertNotSame([], $asked);
        self::assertEqualsCanonicalizing($this->everyVisit(), $asked);
    }

    public function test_what_has_aged_is_asked_again(): void
    {
        $first = $this->first();
        $this->travelTo('2026-04-20 09:00:00');
        $second = $this->visit($first->user, $first->client);

        $asked = array_column($this->props($second, 'screen')['safety']['questions'], 'id');

        $flags = array_keys(app(Core::class)->rules()->flags->flags);
        self::assertSame([], array_diff($flags, $asked), 'six weeks later every danger sign is asked');
    }

    public function test_what_was_found_stands_beside_with_its_day_and_is_not_in_the_record(): void
    {
        $second = $this->aWeekLater($this->first());

        $before = $this->props($second, 'ask')['before'];

        self::assertSame('2026-03-09', $before['date']);
        $kinds = array_count_values(array_column($before['entries'], 'kind'));
        self::assertSame(1, $kinds['complaint']);
        self::assertSame(1, $kinds['function']);
        self::assertSame(2, $kinds['range']);
        self::assertSame(1, $kinds['palpation']);
        $case = app(CaseAssembler::class)->document($second);
        self::assertArrayNotHasKey('findings', $case, 'nobody has found anything today');
        self::assertArrayNotHasKey('consent', $case, 'consent is asked every visit');
    }

    public function test_how_the_client_can_lie_and_what_was_set_by_hand_stand_beside_too(): void
    {
        $first = $this->first();
        $second = $this->aWeekLater($first);

        $agreed = array_column($this->props($second, 'agree')['before']['entries'], 'payload', 'kind');
        self::assertSame(['supine', 'seated'], $agreed['positions']);
        $planned = array_column($this->props($second, 'plan')['before']['entries'], 'payload', 'kind');
        self::assertSame('long', $planned['target']['size']);
        $session = app(CaseAssembler::class)->document($second)['session'];
        self::assertArrayNotHasKey('positions_possible', $session);
        self::assertArrayNotHasKey('targets', $session);
    }

    public function test_a_ghost_is_in_no_paper_until_it_is_confirmed_and_then_it_is_todays_finding_by_name(): void
    {
        $second = $this->aWeekLater($this->first());
        $this->denyEverything($second);

        $papers = $this->papers($second);
        foreach (['neck', '48', 'levator', 'rod', 'rope'] as $ghost) {
            self::assertStringNotContainsStringIgnoringCase($ghost, $papers, "\"$ghost\" was said last time");
        }

        $this->save($second, 'complaint', [
            'zone' => 'neck_back', 'side' => 'left', 'now' => 6, 'worse_with' => [['demand' => 'sitting'], ['situation' => 'at_night']],
        ])->assertOk();
        self::assertStringContainsString('back of the neck', $papers = $this->papers($second));
        self::assertStringContainsString('worse with sitting, and at night', $papers);
        $case = app(CaseAssembler::class)->document($second);
        self::assertSame('neck_back', $case['findings']['complaints'][0]['zone']);
        self::assertStringNotContainsString('rope', $papers, 'what the client said then are not the words of today');
    }

    public function test_what_the_days_ask_stands_until_it_is_said_to_be_over(): void
    {
        $second = $this->aWeekLater($this->first());
        $demands = static fn (Visit $visit): array => array_map(
            static fn ($one): string => $one->demand, app(CaseAssembler::class)->of($visit->refresh())->demands,
        );

        self::assertSame(['sitting'], $demands($second));
        $this->save($second, 'demand', ['demand' => 'sitting', 'hours_per_week' => 0])->assertOk();
        self::assertSame([], $demands($second));
        $this->save($second, 'demand', null, 'sitting', seen: 1)->assertOk();
        self::assertSame(['sitting'], $demands($second), 'taken back, it stands again');
    }

    public function test_the_plan_answers_to_how_it_was_after_the_last_visit(): void
    {
        $second = $this->aWeekLater($this->first());
        $this->denyEverything($second);
        $this->recordNeck($second);
        $strongest = fn (): float => max(0, ...array_map(
            static fn (array $one): float => (float) ($one['pressure'] ?? 0),
            array_merge([], ...array_column($this->props($second, 'plan')['plan']['steps'], 'manoeuvres')),
        ));

        $usual = $strongest();
        $this->save($second, 'aftermath', ['hours' => 72, 'soreness' => 8, 'soreness_hours' => 72, 'worse' => true])->assertOk();

        self::assertGreaterThan(0, $usual);
        self::assertLessThan($usual, $strongest(), 'sore for three days and worse: softer today');
    }

    /** A first visit where everything was asked, found, set and signed. */
    private function first(): Visit
    {
        $this->travelTo('2026-03-09 09:00:00');
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->denyEverything($visit);
        $this->recordNeck($visit);
        $this->save($visit, 'complaint', [
            'zone' => 'neck_back', 'side' => 'left', 'now' => 6, 'words' => 'Like a rope', 'worse_with' => [['demand' => 'sitting']],
        ], seen: 1)->assertOk();
        $this->save($visit, 'function', ['task' => 'Hold the rod up', 'score' => 4])->assertOk();
        $this->save($visit, 'demand', ['demand' => 'sitting'])->assertOk();
        $this->save($visit, 'positions', ['supine', 'seated'])->assertOk();
        $this->save($visit, 'target', ['muscle' => 'levator_scapulae', 'side' => 'left', 'size' => 'long'])->assertOk();
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $this->tell(
            $visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']),
            $this->happening('pass_reached', ['pressure' => 5, 'seconds' => 120, 'tissue_kpa' => 100]),
            $this->happening('step_done', ['seconds' => 180]),
        )->assertOk();
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Worked.'])->assertSessionHasNoErrors();

        return $visit->refresh();
    }

    private function aWeekLater(Visit $first): Visit
    {
        $this->travelTo('2026-03-16 09:00:00');

        return $this->visit($first->user, $first->client);
    }

    /** @return list<string> */
    private function everyVisit(): array
    {
        return array_keys(array_filter(
            app(Core::class)->rules()->flags->flags, static fn (array $flag): bool => $flag['every_visit'],
        ));
    }

    /** @return array<string, mixed> */
    private function props(Visit $visit, string $step): array
    {
        return $this->get("/visits/{$visit->public_id}/$step")->assertOk()->inertiaProps();
    }

    /** What the note says that would be signed now. */
    private function papers(Visit $visit): string
    {
        $parts = $this->props($visit, 'after')['note']['parts'];

        return implode("\n", array_column(array_merge([], ...array_column($parts, 'sentences')), 'text'));
    }
}
