<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\JointName;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\DoneManoeuvre;
use Somatrace\Core\CaseFile\DoneStep;
use Somatrace\Core\CaseFile\Now;
use Somatrace\Core\CaseFile\Session;
use Somatrace\Core\Handwork\Exposed;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Simulation\Underway;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** A treatment that runs is planned anew from where it stands: what was done counts, and every limit holds over both together. */
final class ReplanTest extends TestCase
{
    #[Group('properties'), Group('slow'), Group('whole')]
    public function test_limits_hold_over_what_was_done_and_what_is_planned_anew(): void
    {
        $broken = [];
        $number = 0;
        foreach (PlanPropertiesTest::clients() as $name => $case) {
            $plan = Core::clinic()->plan($case);
            // one is cut in the middle of its steps, each at another
            $done = array_slice($plan->steps, 0, 2 + $number++ % max(1, count($plan->steps) - 3));
            $left = ($case->session->minutes ?? 60) - array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $done));
            if ($left < 6) {
                continue;
            }
            $again = Core::clinic()->plan(Underway::of($case, $done, $left));
            array_push($broken, ...array_map(static fn (string $one): string => "$name: $one", $this->broken($case, $done, $left, $again)));
        }

        self::assertGreaterThan(30, $number);
        self::assertSame([], array_slice($broken, 0, 30), count($broken).' broken');
    }

    public function test_it_goes_on_where_it_stands(): void
    {
        $case = $this->neck(45);
        $plan = Core::clinic()->plan($case);
        $last = array_key_last(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat));
        $done = array_slice($plan->steps, 0, $last + 1);

        $again = Core::clinic()->plan(Underway::of($case, $done, 20.0));

        self::assertSame(
            ['recheck', 'finish', 'aftercare'], $this->kinds($again), 'all was worked: it is measured, smoothed over, and that is all',
        );
        self::assertSame([], array_filter($again->leftOut, static fn ($one): bool => $one->key === 'levator_scapulae:left'));
        self::assertLessThanOrEqual(20, $again->minutes());
    }

    public function test_what_is_measured_already_is_not_measured_again_and_nothing_is_settled_twice(): void
    {
        $case = $this->neck(45);
        $plan = Core::clinic()->plan($case);
        $check = array_key_last(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Recheck));

        self::assertSame(
            ['finish', 'aftercare'],
            $this->kinds(Core::clinic()->plan(Underway::of($case, array_slice($plan->steps, 0, $check + 1), 10.0))),
        );
    }

    public function test_what_nobody_felt_is_still_felt_when_it_runs(): void
    {
        $case = CaseBuilder::aCase()->complaint('neck_back', 'left', 6)->felt('splenius_capitis', 'left', ['tenderness' => 3])->make();
        $felt = static fn (PlanResult $plan): array => array_values(array_filter(array_map(
            static fn (PlanStep $step): ?string => $step->kind === StepKind::Feel ? $step->at?->key() : null, $plan->steps,
        )));
        $plan = Core::clinic()->plan($case);
        self::assertContains('levator_scapulae:left', $felt($plan));

        $again = Core::clinic()->plan(Underway::of($case, array_slice($plan->steps, 0, 1), 50.0));

        self::assertSame($felt($plan), $felt($again));
        self::assertSame(StepKind::Feel, $again->steps[0]->kind, 'before anything is worked');
        self::assertLessThanOrEqual(50.0, $again->minutes());

        $later = Core::clinic()->plan(Underway::of($case, array_slice($plan->steps, 0, 3), 49.0));
        self::assertSame(array_slice($felt($plan), 2), $felt($later), 'nobody is felt twice');
        $told = array_values(array_filter($later->leftOut, static fn ($one): bool => $one->key === 'levator_scapulae:left'));
        self::assertSame('Felt at the table, and nothing is written of it.', $told[0]->toArray()['because']);
    }

    /** What was worked is measured before the client gets up, as long as there is time for that and for getting up. */
    public function test_nothing_is_measured_where_only_getting_up_fits(): void
    {
        $case = $this->neck(45);
        $plan = Core::clinic()->plan($case);
        $treated = array_keys(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat));
        $done = array_slice($plan->steps, 0, $treated[count($treated) - 1] + 1);
        foreach ([[10.0, true], [4.5, true], [4.0, false]] as [$left, $measured]) {
            $again = Core::clinic()->plan(Underway::of($case, $done, $left));

            self::assertSame($measured, in_array('recheck', $this->kinds($again), true), "$left minutes are left");
            self::assertLessThanOrEqual($left + 1e-9, $again->minutes());
        }
    }

    public function test_a_stop_and_a_skip_are_kept_to(): void
    {
        $case = $this->neck(45);
        foreach (['stopped' => 'stopped', 'skipped' => 'dropped'] as $what => $reason) {
            $step = new DoneStep('levator_scapulae', Side::Left, 1, stopped: $what === 'stopped', skipped: $what === 'skipped');
            $again = Core::clinic()->plan($case->withSession(new Session(30, doneSteps: [$step])));

            self::assertSame(
                [$reason], array_values(array_map(
                    static fn ($one): string => $one->reason->kind->value,
                    array_filter($again->leftOut, static fn ($one): bool => $one->key === 'levator_scapulae:left'),
                )), $what,
            );
        }
    }

    public function test_a_turn_is_counted_only_where_one_is_made(): void
    {
        $case = $this->neck(45);
        $as = static fn (?string $position, array $more = []): PlanResult => Core::clinic()->plan(
            $case->withSession(
                new Session(30, doneSteps: [new DoneStep('splenius_capitis', Side::Left, 1)], now: new Now($position, 30.0, ...$more)),
            ),
        );
        $family = array_values(array_filter(
            $as(null)->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat,
        ))[0]->position;
        $lies = Core::clinic()->atlas()->position($family)->family;
        $other = $lies === 'prone' ? 'supine' : 'prone';

        self::assertSame([0, 0, 1], [$as(null)->turns, $as($lies)->turns, $as($other)->turns]);
        self::assertNotContains('settle', $this->kinds($as($lies)));
        self::assertSame(
            1, count(array_filter($as($other)->steps, static fn (PlanStep $step): bool => str_starts_with($step->label, 'Turn '))),
        );
        // a glove on the hand comes off first, and what is oiled is wiped before what wants grip
        self::assertSame('glove_off_wash', $as($lies, ['gloved' => true])->steps[0]->what);
        $oiled = $as($lies, ['oiled' => [new Place('neck_back', Side::Left)]]);
        self::assertContains('wipe', array_map(static fn (PlanStep $step): ?string => $step->what, $oiled->steps));
        self::assertNotContains('wipe', array_map(static fn (PlanStep $step): ?string => $step->what, $as($lies)->steps));
    }

    public function test_what_is_warm_is_not_warmed_again(): void
    {
        $case = $this->neck(45);
        $warm = array_map(
            static fn (string $zone): Place => new Place($zone, Side::Left),
            Core::clinic()->atlas()->muscle('levator_scapulae')->everyZone(),
        );
        $plan = static fn (array $warmed): PlanResult => Core::clinic()->plan($case->withSession(
            new Session(30, now: new Now('prone', 30.0, [], $warmed)),
        ));

        self::assertContains('warm_up', $this->kinds($plan([])));
        self::assertNotContains('warm_up', $this->kinds($plan($warm)));
        self::assertContains('treat', $this->kinds($plan($warm)));
    }

    public function test_points_minutes_and_hands_of_before_count(): void
    {
        $case = $this->neck(45);
        $held = static fn (
            int $spots,
            float $minutes,
            float $firm,
        ): PlanResult => Core::clinic()->plan($case->withSession(new Session(30, doneSteps: [
            new DoneStep('levator_scapulae', Side::Left, $minutes, round: 1, step: 's04', manoeuvres: array_map(
                static fn (int $n): DoneManoeuvre => new DoneManoeuvre('trigger_point_hold', $firm, "spot_$n", 'fingers_reinforced', 5.0),
                range(1, $spots),
            )),
        ], now: new Now('prone', 30.0))));
        $holds = static fn (PlanResult $plan): int => count(array_filter(
            array_merge(...array_map(static fn (PlanStep $step): array => $step->manoeuvres, $plan->steps)),
            static fn ($one): bool => $one->technique === 'trigger_point_hold',
        ));
        $minutes = static fn (PlanResult $plan): float => array_sum(array_map(
            static fn (PlanStep $step): float => $step->at?->key() === 'levator_scapulae:left' && $step->kind === StepKind::Treat
                ? $step->minutes
                : 0.0,
            $plan->steps,
        ));

        self::assertSame(0, $holds($held(3, 1, 30)), 'three were held');
        self::assertLessThanOrEqual(1.0 + 1e-6, $minutes($held(1, 7, 30)), 'eight minutes are what it is worked in a visit');
        self::assertEqualsWithDelta(0.0, $minutes($held(1, 8, 30)), 1e-6);
        $firm = static fn (PlanResult $plan): float => $plan->load['fingers_reinforced'] ?? 0.0;
        self::assertLessThanOrEqual(0.5, $firm($held(1, 2, 19.5 * 60)), 'the fingers have half a minute left');
    }

    public function test_the_first_hold_of_a_delicate_place_is_all_for_the_day(): void
    {
        $case = CaseBuilder::aCase()->agreed('front_of_neck')->felt(
            'sternocleidomastoid_clavicular', 'left', ['tenderness' => 3, 'texture' => ['taut_band']],
        )->with(['session' => ['minutes' => 30]])->make();
        $again = Core::clinic()->plan($case->withSession(new Session(
            30, doneSteps: [new DoneStep('sternocleidomastoid_clavicular', Side::Left, 0.5)], now: new Now('supine', 25.0),
        )));

        self::assertNotContains('treat', $this->kinds($again));
    }

    public function test_a_joint_that_was_moved_counts_like_a_muscle(): void
    {
        $case = CaseBuilder::aCase()->add(
            'findings', 'tests', ['test' => 'segment_spring', 'side' => 'left', 'segment' => 'T4', 'value' => 0],
        )
            ->with(['session' => ['minutes' => 30]])->make();
        $joints = static fn (PlanResult $plan): array => array_values(array_filter(array_map(
            static fn (PlanStep $step): ?string => $step->joint?->key(), $plan->steps,
        )));
        $done = new DoneStep(null, Side::Left, 1, joint: new JointName('back_segment', 'T4'), stopped: true);

        self::assertSame(['joint:back_segment:T4:left'], $joints(Core::clinic()->plan($case)));
        self::assertSame([], $joints(Core::clinic()->plan($case->withSession(new Session(30, doneSteps: [$done])))));
    }

    /**
     * @param  list<PlanStep>  $done
     * @return list<string>
     */
    private function broken(CaseFile $case, array $done, float $left, PlanResult $again): array
    {
        $figures = PlanFigures::load(dirname(__DIR__, 2).'/data');
        $broken = $again->minutes() > $left + 1e-6 ? ["{$again->minutes()} minutes where $left are left"] : [];
        $kinds = $this->kinds($again);
        if (in_array('settle', $kinds, true)) {
            $broken[] = 'settled twice';
        }
        $finish = array_sum(array_map(
            static fn (PlanStep $step): float => $step->kind === StepKind::Finish ? $step->minutes : 0.0, $again->steps,
        ));
        if ($finish < 3) {
            $broken[] = "a finish of $finish minutes";
        }
        $minutes = [];
        $firm = [];
        foreach ([...$done, ...$again->steps] as $step) {
            if ($step->kind === StepKind::Treat && $step->at !== null) {
                $minutes[$step->at->key()] = ($minutes[$step->at->key()] ?? 0) + $step->minutes;
            }
            foreach ($step->manoeuvres as $one) {
                $part = Core::clinic()->atlas()->tool($one->tool)->costs;
                $firm[$part] = ($firm[$part] ?? 0) + (($one->pressure ?? 0) >= 5 ? $one->totalSeconds() / 60 : 0);
            }
        }
        $share = $figures->frailty->share($case);
        foreach ($minutes as $key => $spent) {
            $most = $share * $figures->mostMinutes(Core::clinic()->atlas()->muscle(explode(':', $key)[0]), false)->minutes;
            if ($spent > $most + 0.1) {
                $broken[] = sprintf('%s: %.2f minutes in all, %.2f at most', $key, $spent, $most);
            }
        }
        foreach ($figures->regionTotals as $total) {
            $sum = [];
            foreach ($minutes as $key => $spent) {
                [$id, $side] = explode(':', $key);
                $part = $total->part(new MuscleAt($id, Side::from($side)));
                $sum[$part ?? ''] = ($sum[$part ?? ''] ?? 0) + $spent;
            }
            unset($sum['']);
            if ($sum !== [] && max($sum) > $share * $total->most(Exposed::of($case)) + 0.1) {
                $broken[] = "{$total->name}: ".round(max($sum), 2).' minutes in all';
            }
        }
        foreach ($firm as $part => $spent) {
            if ($spent > $figures->handBudgets[$part]['visit'] + 0.1) {
                $broken[] = "$part: $spent firm minutes in all";
            }
        }
        // what was worked last and not measured since is measured now
        $open = false;
        foreach ($done as $step) {
            $open = match ($step->kind) {
                StepKind::Treat => true, StepKind::Recheck => false, default => $open,
            };
        }
        if ($open && ! in_array('recheck', $kinds, true)) {
            $broken[] = 'worked, and never measured again';
        }

        return $broken;
    }

    private function neck(int $minutes): CaseFile
    {
        return CaseBuilder::aCase()->complaint('neck_back', 'left', 6)->felt(
            'levator_scapulae', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']],
        )->with([
            'exposure' => [['muscle' => 'levator_scapulae', 'side' => 'left', 'visits' => 3]], 'session' => ['minutes' => $minutes],
        ])->make();
    }

    /** @return list<string> */
    private function kinds(PlanResult $plan): array
    {
        return array_map(static fn (PlanStep $step): string => $step->kind->value, $plan->steps);
    }
}
