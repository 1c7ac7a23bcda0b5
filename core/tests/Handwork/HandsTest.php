<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Handwork;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\JointName;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\HandBudgets;
use Somatrace\Core\Handwork\MinutesCap;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\PressureScale;
use Somatrace\Core\Handwork\PressureScales;
use Somatrace\Core\Handwork\Reason;
use Somatrace\Core\Handwork\ReasonKind;
use Somatrace\Core\Handwork\Recipes;
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

    public function test_a_week_that_was_long_leaves_less_of_today(): void
    {
        ['name' => $name, 'week' => $week, 'visit' => $visit] = self::figures()->handBudgets['thumb'];
        $left = static fn (array $therapist): array => array_column(self::budgets($therapist)->asked([]), 'of', 'part');

        self::assertSame($visit, $left(['load_week' => ['thumb' => $week - $visit - 1]])['thumb']);
        self::assertSame(2.0, $left(['load_week' => ['thumb' => $week - 2]])['thumb']);
        self::assertSame(1.0, $left(['load_week' => ['thumb' => $week - 4], 'load_today' => ['thumb_reinforced' => 3]])['thumb'], $name);
        self::assertSame(0.0, $left(['load_week' => ['thumb' => $week + 9]])['thumb']);
        self::assertSame(5.0, $left(['budgets' => ['thumb' => ['week' => 20]], 'load_week' => ['thumb' => 15]])['thumb']);
        self::assertSame($left([])['elbow'], $left(['load_week' => ['thumb' => $week]])['elbow']);
    }

    public function test_what_a_plan_asks_is_told_by_part_of_the_hand(): void
    {
        $asked = array_column(self::budgets([])->asked(['thumb' => 2.0, 'thumb_reinforced' => 1.5, 'forearm' => 4.0]), 'minutes', 'part');

        self::assertSame(['thumb' => 3.5, 'fingers' => 0.0, 'wrist' => 0.0, 'elbow' => 4.0], $asked);
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
        $scale = static fn (array ...$said): PressureScale => (new PressureScales(
            Core::clinic()->atlas(),
            array_reduce(
                $said, static fn (CaseBuilder $case, array $one): CaseBuilder => $case->add('findings', 'feedback', $one),
                CaseBuilder::aCase()->felt('infraspinatus', 'left', ['tenderness' => 2, 'ppt_kpa' => 210]),
            )->make(), 3.0,
        ))->of(new MuscleAt('infraspinatus', Side::Left));
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

    #[DataProvider('frail')]
    public function test_who_is_frail_is_worked_for_two_thirds_of_the_time(CaseBuilder $case, bool $frail): void
    {
        self::assertSame($frail ? 0.6667 : 1.0, self::figures()->frailty->share($case->make()));
    }

    /** @return iterable<string, array{CaseBuilder, bool}> */
    public static function frail(): iterable
    {
        $steroid = static fn (string $answer, ?string $since, string $medicine = 'oral_steroid'): CaseBuilder => CaseBuilder::aCase()->add(
            'health', 'medicines', ['medicine' => $medicine, 'answer' => $answer, ...($since === null ? [] : ['since' => $since])],
        );
        yield 'nobody' => [CaseBuilder::aCase(), false];
        yield '74' => [CaseBuilder::aCase()->aged(74), false];
        yield '75' => [CaseBuilder::aCase()->aged(75), true];
        yield 'fragile skin' => [CaseBuilder::aCase()->with(['client' => ['skin' => 'fragile']]), true];
        yield 'fibromyalgia' => [CaseBuilder::aCase()->condition('fibromyalgia'), true];
        yield 'fibromyalgia, denied' => [CaseBuilder::aCase()->condition('fibromyalgia', ['answer' => 'no']), false];
        yield 'steroids for three months' => [$steroid('yes', '2025-12-01'), true];
        yield 'steroids for a week' => [$steroid('yes', '2026-02-23'), false];
        yield 'steroids, nobody knows since when' => [$steroid('yes', null), true];
        yield 'no steroids' => [$steroid('no', '2025-12-01'), false];
        yield 'another medicine' => [$steroid('yes', '2025-12-01', 'insulin'), false];
    }

    #[DataProvider('tingling')]
    public function test_a_sign_is_read_on_its_own_side_or_as_a_condition(CaseBuilder $case, string $sign, bool $left, bool $right): void
    {
        $read = Recipes::load(dirname(__DIR__, 2).'/data')->sign($sign);
        $atlas = Core::clinic()->atlas();

        self::assertSame([$left, $right], [
            $read->holds($case->make(), $atlas, Side::Left), $read->holds($case->make(), $atlas, Side::Right),
        ]);
    }

    /** @return iterable<string, array{CaseBuilder, string, bool, bool}> */
    public static function tingling(): iterable
    {
        $hurts = static fn (string $zone, string $quality): CaseBuilder => CaseBuilder::aCase()->add(
            'findings', 'complaints', ['zone' => $zone, 'side' => 'left', 'now' => 4, 'qualities' => [$quality]],
        );
        $tender = static fn (string $muscle, int $tenderness): CaseBuilder => CaseBuilder::aCase()->felt(
            $muscle, 'left', ['tenderness' => $tenderness],
        );
        yield 'a hand that tingles' => [$hurts('hand_back', 'tingling'), 'tingling_arm', true, false];
        yield 'a hand that aches' => [$hurts('hand_back', 'ache'), 'tingling_arm', false, false];
        yield 'a foot that tingles' => [$hurts('foot_top', 'tingling'), 'tingling_arm', false, false];
        yield 'a root' => [CaseBuilder::aCase()->condition('disc_or_root_signs'), 'tingling_arm', true, true];
        yield 'no root' => [CaseBuilder::aCase()->condition('disc_or_root_signs', ['answer' => 'no']), 'tingling_arm', false, false];
        yield 'another condition' => [CaseBuilder::aCase()->condition('diabetes'), 'tingling_arm', false, false];
        yield 'a tender joint of the jaw' => [$tender('lateral_pterygoid', 3), 'tender_joint', true, false];
        yield 'a little tender' => [$tender('lateral_pterygoid', 2), 'tender_joint', false, false];
        yield 'tender beside it' => [$tender('masseter', 4), 'tender_joint', false, false];
    }

    /** The shoulder that is stiff all over loses turning out most, then lifting: in another order it is no such shoulder. */
    public function test_a_joint_is_stiff_by_the_order_of_what_it_lost(): void
    {
        $stiff = static function (float $out, float $up, float $in): array {
            $case = CaseBuilder::aCase()->range('shoulder.external_rotation', 'left', ['passive' => $out])->range(
                'shoulder.abduction', 'left', ['passive' => $up],
            )->range('shoulder.internal_rotation', 'left', ['passive' => $in])->make();

            return array_keys((new StiffJoints(Core::clinic()->atlas(), self::figures(), $case))->all());
        };

        self::assertSame(['joint:shoulder::left'], $stiff(20, 90, 50));
        self::assertSame([], $stiff(60, 60, 50));
    }

    /** Of several reasons the one that is most easily mended is told: a word of consent before a limit, a limit before a tool. */
    public function test_the_lightest_reason_is_told(): void
    {
        $order = [
            ReasonKind::Done, ReasonKind::Consent, ReasonKind::CheckFirst, ReasonKind::Limit, ReasonKind::Training, ReasonKind::Ceiling,
            ReasonKind::Tool, ReasonKind::Minutes, ReasonKind::Technique, ReasonKind::Position,
        ];
        foreach ($order as $n => $lighter) {
            foreach (array_slice($order, $n + 1) as $heavier) {
                [$one, $other] = [Reason::of($lighter, 'one'), Reason::of($heavier, 'other')];

                self::assertSame([$one, $one], [$one->orBetter($other), $other->orBetter($one)], "$lighter->value, $heavier->value");
            }
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
