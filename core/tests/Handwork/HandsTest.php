<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Handwork;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\JointName;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\HandBudgets;
use Somatrace\Core\Handwork\MinutesCap;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\PressureScale;
use Somatrace\Core\Handwork\SoFar;
use Somatrace\Core\Handwork\StiffJoints;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What the hands have left, what a hand's point feels like, which joint a name means: the sums under every plan. */
final class HandsTest extends TestCase
{
    public function test_a_budget_is_of_the_visit_or_of_what_the_day_left(): void
    {
        $thumb = self::figures()->handBudgets['thumb'];
        $left = static fn (array $therapist): string => self::budgets($therapist)->words('thumb');
        $name = ucfirst($thumb['name']);
        $day = $thumb['day'];

        self::assertSame("$name: {$thumb['visit']} firm minutes are left for this visit.", $left([]));
        self::assertSame("$name: 2 firm minutes are left for this visit.", $left(['load_today' => ['thumb' => $day - 2]]));
        self::assertSame("$name: 0 firm minutes are left for this visit.", $left(['load_today' => ['thumb' => $day + 3]]));
        self::assertSame("$name: 3 firm minutes are left for this visit.", $left(['budgets' => ['thumb' => ['visit' => 3]]]));
        self::assertSame(
            "$name: 1 firm minutes are left for this visit.",
            $left(['budgets' => ['thumb' => ['day' => 10]], 'load_today' => ['thumb' => 9]]),
        );
    }

    public function test_over_is_more_than_is_left_and_of_that_part_only(): void
    {
        $budgets = self::budgets(['budgets' => ['thumb' => ['visit' => 3]]]);
        $spent = self::budgets(['budgets' => ['thumb' => ['day' => 10]], 'load_today' => ['thumb' => 12]]);
        $thumbs = Core::clinic()->atlas()->tool('thumb');

        self::assertSame([], $budgets->over(['thumb' => 3.0]), 'just what is left');
        self::assertSame(['thumb'], $budgets->over(['thumb' => 3.01]));
        self::assertSame([], $budgets->over(['elbow' => 3.01]));
        self::assertSame([], $spent->over(['thumb' => 0.0]), 'nothing of it costs nothing, though the day was too long');
        self::assertSame(['thumb'], $spent->over(['thumb' => 0.1]));
        self::assertFalse($budgets->isSpent($thumbs));
        self::assertTrue($spent->isSpent($thumbs));
        self::assertTrue(self::budgets(['budgets' => ['thumb' => ['visit' => 0]]])->isSpent($thumbs));
    }

    public function test_the_lower_of_two_most_minutes_stays(): void
    {
        $long = new MinutesCap(8.0, 'long');
        $short = new MinutesCap(3.0, 'short');

        self::assertSame(['short', 'short', 'long'], [
            $long->and($short)->because, $short->and($long)->because, $long->and(new MinutesCap(8.0, 'as long'))->because,
        ]);
    }

    /** What the client said under the hand tells how much a point is; only where it was said, on the same side or without one. */
    public function test_a_point_is_read_from_what_was_said_there(): void
    {
        $scale = static fn (array ...$said): PressureScale => PressureScale::of(
            new MuscleAt('infraspinatus', Side::Left),
            array_reduce(
                $said, static fn (CaseBuilder $case, array $one): CaseBuilder => $case->add('findings', 'feedback', $one),
                CaseBuilder::aCase()->felt('infraspinatus', 'left', ['tenderness' => 2, 'ppt_kpa' => 210]),
            )->make(),
            Core::clinic()->atlas(), 3.0,
        );
        $pair = static fn (float $felt, float $kpa, array $more = []): array => ['felt' => $felt, 'kpa' => $kpa, ...$more];
        $there = ['zone' => 'shoulder_blade', 'side' => 'left'];

        self::assertEqualsWithDelta(70.0, $scale()->kPaPerPoint, 1e-9, 'pressed with a gauge, else');
        self::assertEqualsWithDelta(40.0, $scale($pair(5, 200, $there))->kPaPerPoint, 1e-9);
        self::assertEqualsWithDelta(40.0, $scale($pair(5, 200))->kPaPerPoint, 1e-9, 'said of no place');
        self::assertEqualsWithDelta(
            (4 * 120 + 6 * 300) / (16 + 36), $scale($pair(4, 120, $there), $pair(6, 300, $there))->kPaPerPoint, 1e-9,
            'the line through all',
        );
        self::assertEqualsWithDelta(70.0, $scale($pair(5, 200, ['side' => 'right'] + $there))->kPaPerPoint, 1e-9, 'the other side');
        self::assertEqualsWithDelta(
            70.0, $scale($pair(5, 200, ['zone' => 'calf_upper', 'side' => 'left']))->kPaPerPoint, 1e-9, 'elsewhere',
        );
        self::assertEqualsWithDelta(70.0, $scale($pair(0, 200, $there))->kPaPerPoint, 1e-9, 'not felt');
    }

    public function test_a_joint_is_named_with_a_level_it_has(): void
    {
        $joints = new StiffJoints(Core::clinic()->atlas(), self::figures(), CaseBuilder::aCase()->make());
        $key = static fn (string $kind, ?string $level): ?string => $joints->named(new JointName($kind, $level), Side::Left)?->key();

        self::assertSame('joint:back_segment:T4:left', $key('back_segment', 'T4'));
        self::assertNull($key('back_segment', 'C3'), 'no level of the back');
        self::assertNull($key('back_segment', null));
        self::assertSame('joint:kneecap::left', $key('kneecap', null));
        self::assertSame('joint:kneecap::left', $key('kneecap', 'T4'), 'a knee-cap has no levels');
        self::assertNull($key('no_joint', null));
    }

    public function test_what_presses_nothing_is_pressed_no_softer(): void
    {
        $case = CaseBuilder::aCase()->felt('infraspinatus', 'left', ['tenderness' => 3, 'texture' => ['taut_band']])->make();
        $steps = Core::clinic()->plan($case)->steps;
        $manoeuvres = array_merge(...array_map(static fn (PlanStep $step): array => $step->manoeuvres, $steps));
        $cap = new Cap(2.25, 'test', 'softer');

        self::assertNotSame([], $manoeuvres);
        foreach ($manoeuvres as $one) {
            $under = $one->under($cap);
            self::assertSame($one->pressure === null ? null : min($one->pressure, 2.0), $under->pressure, $one->technique);
            self::assertSame($one->ceiling === null ? null : 'test', $under->ceiling?->caps[0]->id, $one->technique);
        }
    }

    private static function figures(): PlanFigures
    {
        return PlanFigures::load(dirname(__DIR__, 2).'/data');
    }

    /** @param  array<string, mixed>  $therapist */
    private static function budgets(array $therapist): HandBudgets
    {
        $case = CaseBuilder::aCase()->with(['therapist' => ['licensed' => true, ...$therapist]])->make();
        $atlas = Core::clinic()->atlas();

        return new HandBudgets($atlas, self::figures(), $case->therapist, SoFar::of($case->session, $atlas, self::figures()));
    }
}
