<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** How a target is done, set by hand: the plan follows within the limits, and says what it could not follow and why. */
final class SetByHandTest extends TestCase
{
    private const MUSCLES = ['infraspinatus', 'rhomboids', 'levator_scapulae', 'trapezius_upper'];

    public function test_what_is_stretched_takes_longer_and_what_is_shortened_less(): void
    {
        $minutes = static fn (?string $size): float => self::target(self::plan(['size' => $size]))['minutes'];

        self::assertGreaterThan($minutes('usual'), $minutes('long'));
        self::assertGreaterThan($minutes('short'), $minutes('usual'));
        self::assertSame([], self::target(self::plan(['size' => 'short']))['refused']);
    }

    public function test_the_sizes_offered_stay_the_same_whatever_was_chosen(): void
    {
        $offered = static fn (?string $size): array => self::target(self::plan(['size' => $size]))['choices']['sizes'];

        self::assertSame(['short', 'usual', 'long'], array_keys($offered(null)));
        self::assertSame($offered(null), $offered('short'));
        self::assertSame($offered(null)['short'], self::target(self::plan(['size' => 'short']))['choices']['sizes']['short']);
    }

    public function test_another_tool_is_used_wherever_it_can_be(): void
    {
        $tools = static fn (?string $tool): array => self::tools(self::plan(['tool' => $tool]));

        self::assertContains('knuckle', $tools('knuckle'));
        self::assertNotContains('knuckle', $tools(null));
        self::assertSame([], self::target(self::plan(['tool' => 'knuckle']))['refused']);
    }

    public function test_a_tool_that_is_forbidden_is_refused_with_its_reason_and_was_shown_with_it(): void
    {
        $plan = self::plan(
            ['tool' => 'elbow'], ['conditions' => [['id' => 'anticoagulant_or_clotting_disorder', 'severity' => 'mild']]],
        );
        $target = self::target($plan);
        $elbow = array_column($target['choices']['tools'], 'because', 'id')['elbow'] ?? null;

        self::assertNotContains('elbow', self::tools($plan));
        self::assertNotNull($elbow);
        self::assertStringContainsString('Not with elbow pad', $target['refused'][0]);
        self::assertStringContainsString(lcfirst($elbow), $target['refused'][0]);
    }

    public function test_a_tool_that_is_spared_is_refused_too(): void
    {
        $target = self::target(self::plan(['tool' => 'knuckle'], [], ['injured' => ['knuckle']]));

        self::assertSame(['Not with one knuckle: not owned, or spared.'], $target['refused']);
    }

    public function test_pressure_goes_down_by_hand_and_never_over_the_ceiling(): void
    {
        $most = static fn (?float $pressure): float => max(array_map(
            static fn ($one): float => $one->pressure ?? 0.0, self::manoeuvres(self::plan(['pressure' => $pressure])),
        ));

        self::assertSame(4.0, $most(4.0));
        self::assertGreaterThan(4.0, $most(null));
        self::assertSame($most(null), $most(10.0));
        self::assertSame(
            self::target(self::plan([]))['choices']['ceiling'], self::target(self::plan(['pressure' => 4.0]))['choices']['ceiling'],
            'what might be is told whatever was set',
        );
    }

    public function test_it_lies_as_it_was_set_and_says_so_where_it_cannot(): void
    {
        $lies = static fn (PlanResult $plan): array => array_values(array_unique(array_map(
            static fn (PlanStep $step): string => $step->position, self::treated($plan),
        )));

        self::assertNotSame(['side_right'], $lies(self::plan([])));
        self::assertSame(['side_right'], $lies(self::plan(['position' => 'side_right'])));
        $pregnant = self::plan(
            ['position' => 'prone'], ['conditions' => [['id' => 'pregnancy', 'severity' => 'mild', 'weeks_pregnant' => 16]]],
        );
        self::assertNotContains('prone', $lies($pregnant));
        self::assertStringContainsString('Not face-down', self::target($pregnant)['refused'][0]);
    }

    public function test_what_there_is_not_so_much_to_do_of_is_not_stretched(): void
    {
        $case = CaseBuilder::aCase()->complaint('shoulder_blade', 'left', 6)->felt('infraspinatus', 'left', ['tenderness' => 3]);
        $target = self::target(Core::clinic()->plan($case->with([
            'session' => ['targets' => [['muscle' => 'infraspinatus', 'side' => 'left', 'size' => 'long']]],
        ])->make()));

        self::assertArrayNotHasKey('long', $target['choices']['sizes'], 'the first time');
        self::assertSame('usual', $target['size']);
        self::assertStringContainsString('Not done long', $target['refused'][0]);
    }

    public function test_a_position_the_client_cannot_take_is_shown_as_such(): void
    {
        $case = CaseBuilder::aCase()->complaint('shoulder_blade', 'left', 6)->felt('infraspinatus', 'left', ['tenderness' => 3]);
        $target = self::target(Core::clinic()->plan($case->with(['session' => ['positions_possible' => ['prone']]])->make()));
        $why = array_column($target['choices']['positions'], 'because', 'id');

        self::assertNull($why['prone']);
        self::assertSame('Not possible for this client today.', $why['side_right']);
    }

    public function test_the_main_work_is_done_with_the_technique_that_was_chosen_within_its_bounds(): void
    {
        $done = static fn (PlanResult $plan): array => array_column(self::manoeuvres($plan), 'technique');

        self::assertContains('trigger_point_hold', $done(self::plan([])));
        $across = self::plan(['technique' => 'cross_fibre']);
        self::assertContains('cross_fibre', $done($across));
        self::assertNotContains('trigger_point_hold', $done($across), 'it stands instead of what was there');
        self::assertNotContains('elbow', array_column(array_filter(
            self::manoeuvres($across), static fn ($one): bool => $one->technique === 'cross_fibre',
        ), 'tool'), 'with pads');
        self::assertSame([], self::target($across)['refused']);
    }

    public function test_a_technique_that_may_not_be_is_shown_and_refused_with_its_reason(): void
    {
        $off = self::target(self::plan(['technique' => 'stripping'], [], ['scope_off' => ['stripping']]));
        self::assertStringContainsString(
            'not within this therapist', array_column($off['choices']['techniques'], 'because', 'id')['stripping'],
        );
        self::assertStringStartsWith('No ', $off['refused'][0]);
        self::assertStringContainsString('scope', $off['refused'][0]);
        $nothing = self::target(self::plan(['technique' => 'intraoral_hold']));
        self::assertNotContains(
            'intraoral_hold', array_column($nothing['choices']['techniques'], 'id'), 'what has no sense there is no choice',
        );
        self::assertCount(1, $nothing['refused']);
    }

    /** A first time in a delicate place stays one light hold, whatever is wished. */
    public function test_where_what_is_found_leaves_no_choice_none_is_given(): void
    {
        $plan = static fn (array $byHand): PlanResult => Core::clinic()->plan(
            CaseBuilder::aCase()->agreed('front_of_neck')->complaint('neck_side', 'left', 5)
                ->felt('scalene_anterior', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
                ->with(['session' => ['minutes' => 60, 'targets' => [
                    ['muscle' => 'scalene_anterior', 'side' => 'left', 'lock' => true, ...$byHand],
                ]]])->make(),
        );
        $of = static fn (PlanResult $one): array => array_merge(...array_map(
            static fn (PlanStep $step): array => $step->at?->muscle === 'scalene_anterior' && $step->kind === StepKind::Treat
                ? array_map(static fn ($m): array => [$m->technique, $m->seconds, $m->pressure], $step->manoeuvres)
                : [],
            $one->steps,
        ));
        $wished = $plan(['technique' => 'stripping', 'added' => ['cross_fibre', 'pin_and_lengthen']]);

        self::assertNotSame([], $of($plan([])));
        self::assertSame($of($plan([])), $of($wished));
        $target = array_column($wished->targets, null, 'muscle')['scalene_anterior'];
        self::assertCount(3, $target['refused']);
        self::assertStringContainsString('one light hold', $target['refused'][0]);
    }

    public function test_what_is_added_comes_besides_and_takes_its_minutes(): void
    {
        $with = self::plan(['added' => ['cross_fibre'], 'size' => 'usual']);
        $techniques = array_column(self::manoeuvres($with), 'technique');

        self::assertContains('cross_fibre', $techniques);
        self::assertSame(
            [], array_diff(array_column(self::manoeuvres(self::plan(['size' => 'usual'])), 'technique'), $techniques),
            'nothing else goes for it',
        );
        self::assertGreaterThan(self::target(self::plan(['size' => 'usual']))['minutes'], self::target($with)['minutes']);
    }

    public function test_it_is_worked_where_it_was_said(): void
    {
        $sites = static fn (array $byHand): array => array_column(self::manoeuvres(self::plan($byHand)), 'site');

        self::assertNotContains('upper_attachment', $sites([]));
        self::assertContains('upper_attachment', $sites(['site' => 'upper_attachment']));
        $spots = static fn (array $chosen): array => array_values(array_unique(array_merge(
            ...array_column(self::manoeuvres(self::plan(['technique' => 'compressive_hold', 'spots' => $chosen])), 'spots'),
        )));
        self::assertSame(['outer'], $spots(['outer']));
        self::assertSame(['inner_border', 'centre'], $spots(['centre', 'inner_border']), 'along the muscle, not as they were ticked');
        self::assertCount(4, self::target(self::plan(['technique' => 'compressive_hold']))['choices']['spots']);
        $unknown = self::target(self::plan(['spots' => ['elsewhere']]));
        self::assertStringContainsString('Not every spot', $unknown['refused'][0]);
    }

    public function test_it_lies_with_the_set_up_that_was_chosen_or_the_plan_says_why_not(): void
    {
        $levator = static function (array $byHand): array {
            $plan = Core::clinic()->plan(CaseBuilder::aCase()->complaint('neck_back', 'left', 5)
                ->felt('levator_scapulae', 'left', ['tenderness' => 3])
                ->with(['session' => ['minutes' => 60, 'targets' => [
                    ['muscle' => 'levator_scapulae', 'side' => 'left', 'lock' => true, 'position' => 'prone', ...$byHand],
                ]]])->make());

            return [array_column($plan->targets, null, 'muscle')['levator_scapulae'], $plan->steps];
        };
        [$target] = $levator([]);
        self::assertContains('arm_back_at_side', array_column($target['choices']['setups'], 'id'));
        [$target, $steps] = $levator(['setup' => ['id' => 'arm_back_at_side', 'side' => 'left']]);
        self::assertSame([], $target['refused']);
        $lies = array_merge(...array_map(static fn (PlanStep $step): array => array_column($step->manoeuvres, 'setup'), $steps));
        self::assertContains('arm_back_at_side', array_column(array_filter($lies), 'id'));
        self::assertStringContainsString(
            'Not with', self::target(self::plan(['position' => 'prone', 'setup' => ['id' => 'jaw_slack', 'side' => 'left']]))['refused'][0],
        );
    }

    public function test_own_words_stand_with_the_step_and_change_nothing(): void
    {
        $with = self::plan(['words' => 'Slowly: she braces.']);

        self::assertSame(['Slowly: she braces.'], array_values(array_unique(array_map(
            static fn (PlanStep $step): ?string => $step->words, self::treated($with),
        ))));
        self::assertSame(self::target(self::plan([]))['minutes'], self::target($with)['minutes']);
    }

    public function test_what_the_therapist_likes_is_done_where_nothing_else_was_set_and_it_may_be(): void
    {
        $liked = ['prefers' => [['muscle' => 'infraspinatus', 'tool' => 'knuckle', 'technique' => 'stripping']]];
        $techniques = static fn (PlanResult $plan): array => array_column(self::manoeuvres($plan), 'technique');

        self::assertContains('knuckle', self::tools(self::plan([], [], $liked)));
        self::assertContains('stripping', $techniques(self::plan([], [], $liked)));
        self::assertNotContains(
            'knuckle', self::tools(self::plan(['tool' => 'fist'], [], $liked)), 'what is set goes before what is liked',
        );
        $spared = self::plan([], [], [...$liked, 'injured' => ['knuckle']]);
        self::assertNotContains('knuckle', self::tools($spared));
        self::assertSame([], self::target($spared)['refused'], 'nobody asked for it today');
    }

    public function test_what_somebody_is_not_trained_in_is_in_no_plan_of_theirs(): void
    {
        $all = array_keys(Core::clinic()->atlas()->techniques);
        $done = static fn (array $trained): array => array_column(
            self::manoeuvres(self::plan([], [], ['trained' => $trained])), 'technique',
        );

        self::assertContains('trigger_point_hold', $done($all));
        self::assertNotContains('trigger_point_hold', $done(array_values(array_diff($all, ['trigger_point_hold']))));
        self::assertSame($done($all), $done([]), 'nothing said is everything');
    }

    /** What is liked on a muscle brings it into no plan. */
    public function test_a_preference_picks_nothing(): void
    {
        $with = static fn (array $prefers): array => array_column(Core::clinic()->plan(
            CaseBuilder::aCase()->complaint('shoulder_blade', 'left', 6)->felt('infraspinatus', 'left', ['tenderness' => 3])
                ->with(['therapist' => ['prefers' => $prefers]])->make(),
        )->targets, 'muscle');

        self::assertSame($with([]), $with([['muscle' => 'gastrocnemius', 'tool' => 'forearm']]));
    }

    public function test_the_other_side_is_switched_on_and_off(): void
    {
        $across = static fn (?bool $on, string $school = 'affected_deep_other_light'): int => count(array_filter(
            self::plan(['other_side' => $on], [], [], ['both_sides' => $school])->steps,
            static fn (PlanStep $step): bool => $step->otherSide,
        ));

        self::assertSame(0, $across(null));
        self::assertGreaterThan(0, $across(true));
        self::assertGreaterThan(0, $across(null, 'always_equal'));
        self::assertSame(0, $across(false, 'always_equal'));
    }

    public function test_what_lies_beside_each_other_is_done_in_the_order_that_was_said(): void
    {
        $order = static function (array $places, array $more = []): array {
            $case = CaseBuilder::aCase()->complaint('interscapular', 'left', 6);
            foreach (['trapezius_middle', 'infraspinatus', 'teres_major'] as $muscle) {
                $case = $case->felt($muscle, 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']]);
            }
            $plan = Core::clinic()->plan($case->with(['session' => ['minutes' => 60, 'targets' => array_map(
                static fn (string $muscle, int $place): array => ['muscle' => $muscle, 'side' => 'left', 'order' => $place, ...$more],
                array_keys($places), $places,
            )]])->make());
            $worked = array_map(static fn (PlanStep $step): string => $step->at->muscle ?? '', array_values(array_filter(
                $plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat && ! $step->otherSide,
            )));

            return array_values(array_unique($worked));
        };

        self::assertSame(
            ['teres_major', 'infraspinatus'],
            array_slice(array_values(array_diff($order(['teres_major' => 1, 'infraspinatus' => 2]), ['trapezius_middle'])), 0, 2),
        );
        self::assertSame(
            ['infraspinatus', 'teres_major'],
            array_slice(array_values(array_diff($order(['infraspinatus' => 1, 'teres_major' => 2]), ['trapezius_middle'])), 0, 2),
        );
    }

    /** A place among the others picks nothing: who moves one target does not choose all. */
    public function test_an_order_alone_wants_nothing(): void
    {
        $worked = static function (array $target): bool {
            $plan = Core::clinic()->plan(CaseBuilder::aCase()->complaint('shoulder_blade', 'left', 6)
                ->felt('infraspinatus', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
                ->with(['session' => [
                    'minutes' => 60, 'targets' => [['muscle' => 'gastrocnemius', 'side' => 'right', ...$target]],
                ]])->make());

            return in_array('gastrocnemius', array_column($plan->targets, 'muscle'), true);
        };

        self::assertSame([false, true], [$worked(['order' => 1]), $worked(['order' => 1, 'lock' => true])]);
    }

    /** What covers an important muscle comes before it, whatever was said. */
    public function test_what_lies_over_comes_first_all_the_same(): void
    {
        $case = CaseBuilder::aCase()->complaint('interscapular', 'left', 6);
        foreach (['trapezius_middle', 'rhomboids'] as $muscle) {
            $case = $case->felt($muscle, 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']]);
        }
        $plan = Core::clinic()->plan($case->with(['session' => ['minutes' => 60, 'targets' => [
            ['muscle' => 'rhomboids', 'side' => 'left', 'order' => 1], ['muscle' => 'trapezius_middle', 'side' => 'left', 'order' => 2],
        ]]])->make());
        $worked = array_values(array_filter(array_map(
            static fn (PlanStep $step): ?string => $step->kind === StepKind::Treat ? $step->at?->muscle : null, $plan->steps,
        )));

        self::assertLessThan(array_search('rhomboids', $worked, true), array_search('trapezius_middle', $worked, true));
    }

    /**
     * @param  array<string, mixed>  $byHand
     * @param  array<string, mixed>  $health
     * @param  array<string, mixed>  $therapist
     * @param  array<string, string>  $school
     */
    private static function plan(array $byHand, array $health = [], array $therapist = [], array $school = []): PlanResult
    {
        $case = CaseBuilder::aCase()->complaint('shoulder_blade', 'left', 6)
            ->felt('infraspinatus', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']])
            ->with([
                'session' => ['minutes' => 60, ...$school === [] ? [] : ['school' => $school], 'targets' => [array_filter(
                    ['muscle' => 'infraspinatus', 'side' => 'left', 'lock' => true, ...$byHand],
                    static fn (mixed $one): bool => $one !== null,
                )]],
                'exposure' => array_map(
                    static fn (string $muscle): array => ['muscle' => $muscle, 'side' => 'left', 'visits' => 5], self::MUSCLES,
                ),
                ...$therapist === [] ? [] : ['therapist' => $therapist],
            ]);
        foreach ($health['conditions'] ?? [] as $one) {
            $case = $case->condition($one['id'], array_diff_key($one, ['id' => true]));
        }

        return Core::clinic()->plan($case->make());
    }

    /** @return array<string, mixed> */
    private static function target(PlanResult $plan): array
    {
        foreach ($plan->targets as $target) {
            if (($target['muscle'] ?? null) === 'infraspinatus') {
                return $target;
            }
        }
        self::fail('infraspinatus is not in the plan');
    }

    /** @return list<PlanStep> */
    private static function treated(PlanResult $plan): array
    {
        return array_values(array_filter(
            $plan->steps,
            static fn (PlanStep $step): bool => $step->kind === StepKind::Treat && $step->at?->key() === 'infraspinatus:left',
        ));
    }

    /** @return list<\Somatrace\Core\Handwork\Manoeuvre> */
    private static function manoeuvres(PlanResult $plan): array
    {
        return array_merge(...array_map(static fn (PlanStep $step): array => $step->manoeuvres, self::treated($plan)));
    }

    /** @return list<string> */
    private static function tools(PlanResult $plan): array
    {
        return array_column(self::manoeuvres($plan), 'tool');
    }
}
