<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Planning\TimeBudget;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What a therapist decides and the plan follows: what must be in, what is out, both sides, which hands are left, how long. */
final class ChosenByHandTest extends TestCase
{
    /** A target that is worth least is dropped first when time is short, unless it was locked. */
    public function test_a_lock_outweighs_every_benefit_and_a_choice_does_not(): void
    {
        $case = static fn (?bool $lock): CaseBuilder => CaseBuilder::aCase()
            ->complaint('shoulder_front', 'left', 7)
            ->felt('infraspinatus', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']])
            ->felt('supraspinatus', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']])
            ->with(['session' => ['minutes' => 20, 'targets' => $lock === null ? [] : [
                ['muscle' => 'gastrocnemius', 'side' => 'right', 'lock' => $lock],
            ]]]);
        $works = static fn (?bool $lock): bool => self::treats(Core::clinic()->plan($case($lock)->make()), 'gastrocnemius:right');

        self::assertSame([false, false, true], [$works(null), $works(false), $works(true)]);
    }

    public function test_what_was_picked_by_hand_asks_for_no_neighbours(): void
    {
        $felt = CaseBuilder::aCase()->felt('rhomboids', 'left', ['tenderness' => 3, 'texture' => ['taut_band']]);
        $picked = CaseBuilder::aCase()->felt('tibialis_anterior', 'right', ['tenderness' => 3, 'texture' => ['taut_band']])->with([
            'session' => ['targets' => [['muscle' => 'rhomboids', 'side' => 'left', 'lock' => false]]],
        ]);
        $asks = static fn (CaseBuilder $case): array => array_values(array_filter(array_map(
            static fn (PlanStep $step): ?string => $step->kind === StepKind::Feel && $step->at?->side->value === 'left'
                ? $step->at->muscle
                : null,
            Core::clinic()->plan($case->make())->steps,
        )));

        self::assertNotSame([], $asks($felt));
        self::assertSame([], $asks($picked));
    }

    /** "Both sides equally" cannot reach what safety closes on one of them; the other is worked all the same. */
    public function test_the_other_side_is_left_where_it_may_not_be_touched(): void
    {
        $case = static fn (): CaseBuilder => CaseBuilder::aCase()->complaint('shoulder_front', 'left', 6)->felt(
            'infraspinatus', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']],
        )->with(['session' => ['school' => ['both_sides' => 'always_equal']]]);
        $closed = $case()->condition('sunburn', [
            'severity' => 'severe', 'stage' => 'subacute', 'zones' => array_map(
                static fn (string $zone): array => ['zone' => $zone, 'side' => 'right'],
                ['shoulder_blade', 'shoulder_back', 'shoulder_top', 'shoulder_outer'],
            ),
        ]);
        $across = static fn (CaseBuilder $one): int => count(array_filter(
            Core::clinic()->plan($one->make())->steps, static fn (PlanStep $step): bool => $step->otherSide,
        ));

        self::assertGreaterThan(0, $across($case()));
        self::assertSame(0, $across($closed));
        self::assertTrue(self::treats(Core::clinic()->plan($closed->make()), 'infraspinatus:left'));
    }

    /** Where the thumb has not enough left for all of it, other hands do what they can; what only the thumb can says so. */
    public function test_another_hand_does_what_the_thumb_cannot(): void
    {
        $muscles = ['infraspinatus', 'rhomboids', 'levator_scapulae', 'trapezius_upper'];
        $plan = static function (float $left) use ($muscles): PlanResult {
            $case = CaseBuilder::aCase()->complaint('shoulder_top', 'left', 6)->with([
                'therapist' => ['tools' => ['thumb', 'elbow', 'knuckle', 'palm'], 'budgets' => ['thumb' => ['visit' => $left]]],
                'exposure' => array_map(
                    static fn (string $muscle): array => ['muscle' => $muscle, 'side' => 'left', 'visits' => 5], $muscles,
                ),
            ]);
            foreach ($muscles as $muscle) {
                $case = $case->felt($muscle, 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']]);
            }

            return Core::clinic()->plan($case->make());
        };
        $worked = static fn (PlanResult $plan): array => array_values(
            array_filter($muscles, static fn (string $muscle): bool => self::treats($plan, "$muscle:left")),
        );
        [$rested, $tired] = [$plan(12.0), $plan(1.0)];

        self::assertSame($muscles, $worked($rested));
        self::assertGreaterThan(1.0, $rested->load['thumb']);
        self::assertSame($muscles, $worked($tired), 'where no point may be held a line is drawn');
        self::assertLessThanOrEqual(1.0, $tired->load['thumb'] ?? 0.0);
        self::assertGreaterThan($rested->load['elbow'] - 2, $tired->load['elbow']);
        $tools = array_merge(...array_map(
            static fn (PlanStep $step): array => array_column($step->manoeuvres, 'tool'),
            array_filter($tired->steps, static fn (PlanStep $step): bool => $step->at?->key() === 'rhomboids:left'),
        ));
        self::assertSame(['elbow'], array_values(array_unique(array_intersect($tools, ['thumb', 'elbow', 'knuckle']))));
    }

    /** A routine that tells of pads is not told of an elbow: then the technique's own words are. */
    public function test_words_are_true_of_the_hand_that_does_it(): void
    {
        $do = static function (array $tools): array {
            $case = CaseBuilder::aCase()->complaint('shoulder_top', 'left', 6)->felt(
                'trapezius_upper', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']],
            )->with(['therapist' => ['tools' => $tools]]);
            foreach (Core::clinic()->plan($case->make())->steps as $step) {
                foreach ($step->manoeuvres as $one) {
                    if ($one->technique === 'trigger_point_hold') {
                        return [$one->tool, $one->do];
                    }
                }
            }

            return [];
        };

        self::assertSame(['pincer', 'Pinch the found band between pads and wait.'], $do([]));
        self::assertSame(['elbow', 'Hold one tight spot until what it sends has faded.'], $do(['elbow', 'palm']));
    }

    public function test_a_short_visit_settles_and_ends_in_less(): void
    {
        $figures = PlanFigures::load(dirname(__DIR__, 2).'/data');
        $clock = static fn (float $minutes): TimeBudget => new TimeBudget($figures, (int) ($minutes * TimeBudget::PER_MINUTE));
        $short = $clock($figures->shortVisitMinutes - 0.25);
        $usual = $clock($figures->shortVisitMinutes);

        self::assertSame((int) round($usual->settle * $figures->shortShare), $short->settle);
        self::assertSame((int) round($usual->aftercare * $figures->shortShare), $short->aftercare);
        self::assertSame((int) round($figures->settleMinutes * TimeBudget::PER_MINUTE), $usual->settle);
        self::assertSame($usual->finish, $short->finish);
    }

    private static function treats(PlanResult $plan, string $key): bool
    {
        return array_filter(
            $plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat && $step->at instanceof MuscleAt
                && $step->at->key() === $key,
        ) !== [];
    }
}
