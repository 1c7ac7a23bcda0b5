<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class PlannerTest extends TestCase
{
    #[DataProvider('ceilings')]
    public function test_the_lowest_cap_decides_and_says_so(CaseBuilder $case, float $ceiling, string $because): void
    {
        $step = $this->stepOn($case, 'infraspinatus', 'left');

        self::assertNotNull($step);
        self::assertSame([$ceiling, $because], [$step->ceiling?->felt, $step->ceiling?->caps[0]->id]);
    }

    /** @return iterable<string, array{CaseBuilder, float, string}> */
    public static function ceilings(): iterable
    {
        $known = static fn (): CaseBuilder => self::sore()->with([
            'exposure' => [['muscle' => 'infraspinatus', 'side' => 'left', 'visits' => 4]],
        ]);
        yield 'the first time' => [self::sore(), 5.0, 'first_time'];
        yield 'known, firm seven: a point is held no stronger than six' => [$known(), 6.0, 'technique'];
        yield 'a stoic client under pain' => [
            $known()->with(['client' => ['stoic' => true], 'session' => ['school' => ['pressure' => 'under_pain']]]), 5.0, 'stoic',
        ];
        yield 'blood thinners' => [
            $known()->condition('anticoagulant_or_clotting_disorder', ['severity' => 'moderate', 'stage' => 'late']), 4.0, 'safety',
        ];
        $after = static fn (array $aftermath, int $pressure = 6): CaseBuilder => self::sore()->visited('2026-02-20', [
            'findings' => ['complaints' => [['zone' => 'shoulder_front', 'side' => 'left', 'now' => 6]]],
            'done' => [['muscle' => 'infraspinatus', 'side' => 'left', 'minutes' => 8, 'max_pressure' => $pressure]],
            'aftermath' => [$aftermath],
        ]);
        yield 'sore for three days' => [$after(['hours' => 96, 'soreness_hours' => 72, 'worse' => false]), 5.0, 'last_response'];
        yield 'sore for three days and worse' => [
            $after(['hours' => 96, 'soreness_hours' => 72, 'worse' => true], 5), 3.0, 'last_response',
        ];
        yield 'a day and a half sore' => [$after(['hours' => 48, 'soreness_hours' => 36, 'worse' => false], 5), 5.0, 'last_response'];
    }

    public function test_what_safety_asks_to_watch_stands_at_the_steps_it_touches(): void
    {
        $place = [['zone' => 'shoulder_blade', 'side' => 'left']];
        $case = self::sore()->condition('neuropathy', ['severity' => 'mild', 'stage' => 'late', 'zones' => $place])->condition(
            'high_blood_pressure', ['severity' => 'mild', 'stage' => 'late', 'controlled' => 'yes', 'systolic' => 130, 'diastolic' => 80],
        );
        $steps = Core::clinic()->plan($case->make())->steps;

        self::assertStringContainsString('fresh linen', $steps[0]->cautions[0]->text);
        self::assertContains('rises slowly from the table: sit a minute first', array_column($steps[0]->cautions, 'text'));
        self::assertContains('skin: look before and after', array_column($steps[0]->cautions, 'text'));
        self::assertStringContainsString('hands washed', $steps[count($steps) - 1]->cautions[0]->text);
    }

    public function test_the_headline_names_what_hurts_most_and_nothing_before_what_nobody_rated(): void
    {
        $case = static fn (?float $now): CaseBuilder => CaseBuilder::aCase()
            ->add('findings', 'complaints', ['zone' => 'arm_outer', 'side' => 'left'] + ($now === null ? [] : ['now' => $now]))
            ->complaint('shoulder_front', 'left', 1)
            ->felt('infraspinatus', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']]);
        $headline = static fn (?float $now): string => strtolower(Core::clinic()->plan($case($now)->make())->headline);

        self::assertStringContainsString('so that the outer upper arm on the left can rest', $headline(2), 'it hurts more');
        self::assertStringContainsString(
            'so that the front of the shoulder on the left can rest', $headline(null), 'rated at one, the other not at all',
        );
    }

    /** Where no muscle explains the pain the place is calmed: nothing else is looked for, a stiff segment neither. */
    public function test_where_nothing_explains_it_no_stiff_joint_is_moved_unless_it_was_chosen(): void
    {
        $stiff = static function (float $tender, array $chosen): array {
            $case = CaseBuilder::aCase()->complaint('neck_back', 'left', 3)
                ->add('findings', 'tests', ['test' => 'segment_spring', 'segment' => 'T4', 'side' => 'left', 'value' => 1])
                ->range('cervical.flexion', 'midline', ['active' => 50, 'pain' => 0])
                ->range('cervical.extension', 'midline', ['active' => 60, 'pain' => 0])
                ->range('cervical.rotation', 'left', ['active' => 75, 'pain' => 0])
                ->range('cervical.side_bend', 'left', ['active' => 42, 'pain' => 0])
                ->felt('levator_scapulae', 'left', ['tenderness' => $tender])->felt('splenius_capitis', 'left', ['tenderness' => 0])
                ->felt('splenius_cervicis', 'left', ['tenderness' => 1])->felt('scalene_middle', 'left', ['tenderness' => 0])
                ->with(['session' => ['minutes' => 60, 'targets' => $chosen]]);

            return [
                Core::clinic()->rank($case->make())->ofNone->leads,
                array_values(array_filter(array_map(
                    static fn (PlanStep $step): ?string => $step->joint?->key(), Core::clinic()->plan($case->make())->steps,
                ))),
            ];
        };

        self::assertSame([true, []], $stiff(0, []));
        self::assertSame([false, ['joint:back_segment:T4:left']], $stiff(4, []), 'where a muscle answers it is moved');
        self::assertSame(
            [true, ['joint:back_segment:T4:left']],
            $stiff(0, [['joint' => ['kind' => 'back_segment', 'level' => 'T4'], 'side' => 'left', 'lock' => true]]),
        );
    }

    /** On the side that hurts nobody lies, however little it hurts. */
    public function test_who_can_lie_on_a_side_only_lies_on_the_one_that_hurts_less(): void
    {
        foreach (['left' => 'side_right', 'right' => 'side_left'] as $hurts => $lies) {
            $case = CaseBuilder::aCase()->complaint('low_back', $hurts, 0.5)->with(
                ['session' => ['minutes' => 30, 'positions_possible' => ['side_left', 'side_right']]],
            );
            $positions = array_values(array_unique(array_filter(array_map(
                static fn (PlanStep $step): ?string => $step->position, Core::clinic()->plan($case->make())->steps,
            ), static fn (?string $one): bool => $one !== null && str_starts_with($one, 'side_'))));

            self::assertSame([$lies], $positions, $hurts);
        }
    }

    public function test_broken_skin_near_the_work_asks_for_a_glove_and_so_does_the_mouth(): void
    {
        $near = self::sore()->condition(
            'skin_problem', ['severity' => 'mild', 'stage' => 'late', 'zones' => [['zone' => 'shoulder_top', 'side' => 'left']]],
        );
        self::assertContains(
            'broken skin near: a fresh glove', array_column($this->stepOn($near, 'infraspinatus', 'left')->cautions ?? [], 'text'),
        );

        $jaw = CaseBuilder::aCase()
            ->complaint('cheek', 'left')
            ->felt('lateral_pterygoid', 'left', ['tenderness' => 4, 'familiar' => 'yes', 'texture' => ['taut_band']])
            ->agreed('mouth', 'face')
            ->with(['therapist' => ['experience' => 'advanced']]);
        self::assertContains(
            'a fresh nitrile glove', array_column($this->stepOn($jaw, 'lateral_pterygoid', 'left')->cautions ?? [], 'text'),
        );
    }

    public function test_each_caution_says_what_it_is_and_where_it_comes_from(): void
    {
        $case = self::sore()->condition(
            'neuropathy', ['severity' => 'mild', 'stage' => 'late', 'zones' => [['zone' => 'shoulder_blade', 'side' => 'left']]],
        );
        $told = [];
        foreach (Core::clinic()->plan($case->make())->steps as $step) {
            foreach ($step->cautions as $caution) {
                $told[$caution->kind->value][] = $caution->id;
            }
        }

        self::assertSame(['hygiene_before', 'hygiene_after'], array_values(array_unique($told['hygiene'])));
        self::assertContains('condition.neuropathy', $told['safety']);
        $hazards = Core::clinic()->atlas()->handbook()->hazards;
        self::assertSame([], array_diff($told['hazard'], array_keys($hazards)));
    }

    public function test_what_is_left_out_says_of_what_kind_the_reason_is(): void
    {
        $hip = static fn (): CaseBuilder => CaseBuilder::aCase()
            ->complaint('low_back', 'left')
            ->felt('psoas_major', 'left', ['tenderness' => 4, 'familiar' => 'yes'])
            ->felt('gluteus_medius', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
            ->felt('quadratus_lumborum', 'left', ['tenderness' => 3, 'familiar' => 'yes'])->felt(
                'erector_spinae_lumbar', 'left', ['tenderness' => 3, 'familiar' => 'yes'],
            );
        $left = static function (CaseBuilder $case): array {
            $kinds = [];
            foreach (Core::clinic()->plan($case->make())->leftOut as $one) {
                $kinds[$one->at->muscle] = trim("{$one->reason->kind->value} {$one->reason->id}");
            }

            return $kinds;
        };

        self::assertSame('consent abdomen', $left($hip())['psoas_major'] ?? null);
        self::assertSame('consent buttock', $left($hip())['gluteus_medius'] ?? null);
        self::assertSame(
            'dropped',
            $left(
                $hip()->with(['session' => ['dropped' => [['muscle' => 'quadratus_lumborum', 'side' => 'left']]]]),
            )['quadratus_lumborum'] ?? null,
        );
        self::assertSame(
            'position', $left($hip()->with(['session' => ['positions_possible' => ['supine', 'seated']]]))['quadratus_lumborum'] ?? null,
        );
    }

    public function test_pressure_rises_from_an_introduction_and_by_a_step_at_most(): void
    {
        $known = self::sore()->with(['exposure' => [['muscle' => 'infraspinatus', 'side' => 'left', 'visits' => 4]]]);
        $seen = 0;
        $reached = null;
        foreach ($this->plan($known)->steps as $step) {
            foreach ($step->manoeuvres as $one) {
                if ($one->pressure === null) {
                    continue;
                }
                $seen++;
                self::assertLessThanOrEqual($reached === null ? 4 : $reached + 2, $one->pressure);
                self::assertLessThanOrEqual($one->ceiling?->felt, $one->pressure);
                $reached = max($reached ?? 0, $one->pressure);
            }
        }

        self::assertGreaterThan(2, $seen);
    }

    public function test_who_is_not_treated_today_gets_no_plan_at_all(): void
    {
        $plan = $this->plan(self::sore()->flag('fever_or_infection_today'));
        $told = $plan->toArray();

        self::assertSame('none', $told['verdict']);
        self::assertSame([[], [], 0.0, 0], [$plan->steps, $plan->leftOut, $plan->benefit, $plan->turns]);
        self::assertNotSame('', $plan->because);
    }

    public function test_what_is_not_agreed_is_left_out_and_says_so(): void
    {
        $chest = static fn (): CaseBuilder => CaseBuilder::aCase()->complaint('chest_upper', 'left', 6)->felt(
            'pectoralis_minor', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'texture' => ['taut_band']],
        );
        $without = $this->plan($chest());
        $with = $this->plan($chest()->agreed('chest_wall'));

        self::assertNull($this->on($without, 'pectoralis_minor', 'left'));
        self::assertContains('pectoralis_minor', array_map(static fn ($left): string => $left->at->muscle, $without->leftOut));
        self::assertNotNull($this->on($with, 'pectoralis_minor', 'left'));
    }

    public function test_consent_withdrawn_removes_the_steps(): void
    {
        $case = CaseBuilder::aCase()
            ->complaint('chest_upper', 'left', 6)
            ->felt('pectoralis_minor', 'left', ['tenderness' => 3])
            ->with(['consent' => [['area' => 'chest_wall', 'given' => false]]]);

        self::assertNull($this->on($this->plan($case), 'pectoralis_minor', 'left'));
    }

    public function test_a_technique_outside_the_scope_vanishes(): void
    {
        $case = self::sore()->with(['therapist' => ['scope_off' => ['trigger_point_hold']]]);
        $techniques = array_map(static fn (PlanStep $step): ?string => $step->technique, $this->plan($case)->steps);

        self::assertNotContains('trigger_point_hold', $techniques);
    }

    public function test_a_lock_is_kept_and_a_drop_left_out(): void
    {
        $case = self::sore()->with([
            'session' => [
                'minutes' => 30, 'targets' => [['muscle' => 'teres_minor', 'side' => 'left', 'lock' => true]],
                'dropped' => [['muscle' => 'infraspinatus', 'side' => 'left']],
            ],
        ]);
        $plan = $this->plan($case);

        self::assertNotNull($this->on($plan, 'teres_minor', 'left'));
        self::assertNull($this->on($plan, 'infraspinatus', 'left'));
    }

    public function test_a_replan_counts_what_was_done_and_what_was_stopped(): void
    {
        $case = self::sore()->with([
            'session' => [
                'minutes' => 20, 'done_steps' => [['muscle' => 'infraspinatus', 'side' => 'left', 'minutes' => 2, 'stopped' => true]],
            ],
        ]);
        $plan = $this->plan($case);

        self::assertNull($this->on($plan, 'infraspinatus', 'left'));
        self::assertLessThanOrEqual(20, $plan->minutes());
        self::assertNotEmpty(array_filter(
            $plan->steps, static fn (PlanStep $step): bool => $step->kind->value === 'finish' && $step->minutes >= 3,
        ));
    }

    public function test_late_pregnancy_is_worked_on_the_side_not_sitting_for_an_hour(): void
    {
        $case = CaseBuilder::aCase()
            ->complaint('interscapular', 'right', 5)
            ->felt('rhomboids', 'right', ['tenderness' => 2, 'familiar' => 'yes'])
            ->condition('pregnancy', ['severity' => 'mild', 'weeks_pregnant' => 27]);
        $step = $this->stepOn($case, 'rhomboids', 'right');

        self::assertSame('side_left', $step?->position);
    }

    public function test_calibration_pairs_set_the_force(): void
    {
        $case = self::sore()->add('findings', 'feedback', ['zone' => 'shoulder_blade', 'side' => 'left', 'kpa' => 200, 'felt' => 5])->with([
            'therapist' => ['tools' => ['fingers_reinforced'], 'mass_kg' => 60],
        ]);
        $pass = $this->stepOn($case, 'infraspinatus', 'left')?->passes[0];

        // 40 kPa a point, on 3 cm²: 12 N a point; 60 kg weigh 588.6 N
        self::assertNotNull($pass);
        self::assertEqualsWithDelta($pass->pressure * 12, $pass->forceN, 1e-6);
        self::assertEqualsWithDelta($pass->pressure * 12 / 588.6 * 100, $pass->leanPercent, 1e-6);
    }

    public function test_a_tool_that_needs_more_than_the_lean_limit_is_not_used(): void
    {
        $heavy = self::sore()->with(['therapist' => ['mass_kg' => 35]])->felt('rhomboids', 'left', ['tenderness' => 3, 'ppt_kpa' => 1200]);
        foreach ($this->plan($heavy)->steps as $step) {
            foreach ($step->passes as $pass) {
                self::assertLessThanOrEqual(60, $pass->leanPercent);
            }
        }
    }

    public function test_thumbs_are_spared_when_their_day_is_used_up(): void
    {
        $case = self::sore()->with(['therapist' => ['tools' => ['thumb'], 'load_today' => ['thumb' => 30]]]);

        self::assertSame([], array_filter($this->plan($case)->steps, static fn (PlanStep $step): bool => $step->tool === 'thumb'));
    }

    public function test_site_first_turns_the_order(): void
    {
        $case = Core::example('puppeteer-between-the-blades');
        $plan = Core::clinic()->compare($case, ['source_first', 'site_first']);
        $first = fn (PlanResult $one, string $muscle): int => array_key_first(array_filter(
            $one->steps, static fn (PlanStep $step): bool => $step->kind->value === 'treat' && $step->at?->muscle === $muscle,
        )) ?? PHP_INT_MAX;

        self::assertLessThan($first($plan['source_first'], 'rhomboids'), $first($plan['source_first'], 'pectoralis_minor'));
        self::assertLessThan($first($plan['site_first'], 'pectoralis_minor'), $first($plan['site_first'], 'rhomboids'));
    }

    private static function sore(): CaseBuilder
    {
        return CaseBuilder::aCase()->complaint('shoulder_front', 'left', 6)->felt(
            'infraspinatus', 'left',
            ['site' => 'belly', 'tenderness' => 3, 'tone' => 'high', 'texture' => ['taut_band'], 'familiar' => 'yes'],
        );
    }

    private function plan(CaseBuilder $case): PlanResult
    {
        return Core::clinic()->plan($case->make());
    }

    private function stepOn(CaseBuilder $case, string $muscle, string $side): ?PlanStep
    {
        return $this->on($this->plan($case), $muscle, $side);
    }

    private function on(PlanResult $plan, string $muscle, string $side): ?PlanStep
    {
        foreach ($plan->steps as $step) {
            if ($step->kind->value === 'treat' && $step->at?->muscle === $muscle && $step->at->side->value === $side) {
                return $step;
            }
        }

        return null;
    }

    /** What was measured face-up is measured again as they turn to rise; late in a pregnancy nobody is laid on the back for it. */
    public function test_who_may_not_lie_on_the_back_is_not_turned_onto_it_for_a_measure(): void
    {
        $measuredOnTheBack = static function (int $weeks): bool {
            $case = CaseBuilder::aCase()->complaint('buttock', 'left', 6)->agreed('buttock')
                ->felt('gluteus_maximus', 'left', ['tenderness' => 4, 'familiar' => 'yes', 'texture' => ['taut_band']])
                ->range('hip.flexion', 'left', ['active' => 70])
                ->condition('pregnancy', ['severity' => 'mild', 'weeks_pregnant' => $weeks])
                ->with(['session' => ['minutes' => 60]]);
            $plan = Core::clinic()->plan($case->make());
            self::assertNotSame([], array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind->value === 'treat'));

            return array_filter($plan->steps, static fn (PlanStep $step): bool => $step->position === 'supine') !== [];
        };

        self::assertTrue($measuredOnTheBack(14));
        self::assertFalse($measuredOnTheBack(25));
    }
}
