<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What hands measured reaches the plan: each of these once came out the other way. */
final class SecondReadingTest extends TestCase
{
    /** @param  callable(PlanStep): bool  $harm */
    #[DataProvider('harms')]
    public function test_a_plan_does_no_harm(CaseBuilder $case, callable $harm, ?string $verdict = null): void
    {
        $plan = Core::clinic()->plan($case->make());
        $worse = array_filter($plan->steps, $harm);

        self::assertSame(
            [],
            array_map(
                static fn (PlanStep $step): string => "{$step->label}: {$step->technique} with {$step->tool}, {$step->position}",
                array_values($worse),
            ),
        );
        self::assertSame($verdict, $verdict === null ? null : Core::clinic()->screen($case->make())->verdict->value);
    }

    /** @return iterable<string, array{0: CaseBuilder, 1: callable(PlanStep): bool, 2?: string}> */
    public static function harms(): iterable
    {
        $sore = static fn (string ...$muscles): CaseBuilder => array_reduce(
            $muscles,
            static fn (CaseBuilder $case, string $muscle): CaseBuilder => $case->felt(
                $muscle, 'left', ['tenderness' => 3, 'familiar' => 'yes'],
            ),
            CaseBuilder::aCase()->agreed(...array_keys(Core::clinic()->atlas()->consentAreas)),
        );
        $on = static fn (string ...$zones): callable => static fn (PlanStep $step): bool => array_filter(
            $step->places, static fn ($place): bool => in_array($place->zone, $zones, true),
        ) !== []
            && $step->technique !== null;
        $treats = static fn (string ...$muscles): callable => static fn (PlanStep $step): bool => $step->kind->value === 'treat'
            && in_array($step->at?->muscle, $muscles, true);
        $strongest = static fn (PlanStep $step): float => max([
            0.0, ...array_map(static fn ($pass): float => $pass->pressure, $step->passes),
        ]);
        $test = static fn (string $id, string $side, array $details): array => ['test' => $id, 'side' => $side, ...$details];

        yield 'compression into the fingers, lift relieving, triceps 3/5' => [
            $sore('trapezius_upper', 'levator_scapulae')->complaint('neck_side', 'left')
                ->add(
                    'findings', 'tests',
                    $test(
                        'cervical_compression', 'midline',
                        ['result' => 'positive', 'refers_to' => [['zone' => 'fingers_index_middle', 'side' => 'left']]],
                    ),
                )
                ->add('findings', 'tests', $test('cervical_lift', 'midline', ['result' => 'relieves']))
                ->add('findings', 'resisted', ['movement' => 'elbow.extension', 'side' => 'left', 'strength' => 3]),
            static fn (PlanStep $step): bool => true, 'refer',
        ];
        yield 'leg signs, and a low calf score' => [
            $sore('gastrocnemius', 'soleus')->complaint('calf_upper', 'left')->with(['health' => [
                'leg_signs' => 'yes',
                'calf_clot_items' => [
                    'other_diagnosis_as_likely' => 'yes',
                    ...array_fill_keys(array_diff(array_keys(Core::clinic()->rules()->clot->items), ['other_diagnosis_as_likely']), 'no'),
                ],
            ]]),
            $on('calf_upper', 'calf_lower', 'thigh_back', 'groin', 'sole'), 'modify',
        ];
        yield 'insulin into the thigh' => [
            $sore('rectus_femoris', 'vastus_lateralis')->complaint('thigh_front', 'left')->add(
                'health', 'medicines',
                [
                    'medicine' => 'insulin', 'answer' => 'yes', 'places' => [['zone' => 'thigh_front', 'side' => 'left']],
                    'last_dose_hours' => 6,
                ],
            ),
            static fn (PlanStep $step): bool => $on('thigh_front')($step) && $strongest($step) >= 5,
        ];
        foreach (['the positional check held eight seconds' => 8, 'no positional check' => null] as $name => $seconds) {
            $case = $sore('longus_colli', 'longus_capitis')->complaint('neck_front', 'left')->with([
                'therapist' => ['experience' => 'advanced'],
            ])
                ->add('findings', 'tests', $test('cervical_compression', 'midline', ['result' => 'negative']));
            foreach ($seconds === null ? [] : ['left', 'right'] as $side) {
                $case->add('findings', 'tests', $test('positional_artery', $side, ['result' => 'negative', 'seconds' => $seconds]));
            }
            yield $name => [$case, $treats('longus_colli', 'longus_capitis')];
        }
        yield 'a crash three days ago that nobody has examined' => [
            $sore('trapezius_upper')
                ->complaint('neck_back', 'left')
                ->flag('recent_fall_or_crash_unexamined')
                ->with(['health' => ['red_flag_since' => ['recent_fall_or_crash_unexamined' => '2026-02-27']]]),
            static fn (PlanStep $step): bool => true, 'refer',
        ];
        yield 'nobody has asked about pregnancy' => [
            $sore('rhomboids', 'psoas_major')->complaint('interscapular', 'left')->add(
                'health', 'conditions', ['condition' => 'pregnancy', 'answer' => 'unknown'],
            ),
            static fn (PlanStep $step): bool => str_starts_with($step->position, 'prone') || $treats('psoas_major', 'iliacus')($step),
        ];
        yield 'a doctor is asked first' => [
            $sore('gluteus_medius', 'erector_spinae_lumbar', 'biceps_femoris')->complaint('low_back', 'left')->condition(
                'pregnancy', ['severity' => 'moderate', 'weeks_pregnant' => 10],
            ),
            static fn (PlanStep $step): bool => $step->tool === 'elbow' || $strongest($step) > 3,
        ];
        yield 'a hamstring strained four days ago, and its tendon' => [
            $sore('hamstring_common_tendon', 'biceps_femoris')->complaint('sit_bone', 'left')->condition(
                'muscle_strain', ['since' => '2026-02-26', 'zones' => [['zone' => 'thigh_back', 'side' => 'left']]],
            ),
            static fn (PlanStep $step): bool => $step->technique === 'cross_fibre' || ($on('sit_bone')($step) && $strongest($step) > 4),
        ];
        yield 'an acute tendon, and the belly that pulls on it' => [
            $sore('gastrocnemius', 'achilles_tendon')->complaint('achilles', 'left')->condition(
                'tendon_inflammation', ['stage' => 'acute', 'zones' => [['zone' => 'achilles', 'side' => 'left']]],
            ),
            static fn (PlanStep $step): bool => $on('calf_upper', 'calf_lower')($step)
                && ($step->technique === 'stripping' || in_array($step->tool, ['forearm', 'elbow'], true) || $strongest($step) > 3),
        ];
        $unexplained = CaseBuilder::aCase()->complaint('low_back', 'left');
        foreach (['trunk.flexion' => 5, 'trunk.extension' => 25] as $movement => $value) {
            $unexplained->range($movement, 'midline', ['active' => $value, 'pain' => 0]);
        }
        foreach (['trunk.side_bend' => 20, 'thoracic.rotation' => 35] as $movement => $value) {
            $unexplained->range($movement, 'left', ['active' => $value, 'pain' => 0]);
        }
        foreach (['erector_spinae_lumbar', 'quadratus_lumborum', 'multifidus_lumbar', 'thoracolumbar_fascia'] as $muscle) {
            $unexplained->felt($muscle, 'left', ['tenderness' => 0, 'familiar' => 'no']);
        }
        yield 'a pain that no movement and no touch changes' => [
            $unexplained->agreed(...array_keys(Core::clinic()->atlas()->consentAreas)),
            static fn (PlanStep $step): bool => $step->kind->value === 'treat'
                && ($step->minutes > 3 || $strongest($step) > 4 || str_starts_with($step->why, 'Source')),
            'modify',
        ];
        yield 'the neck after an injury: no oiled palm over the throat, the strap muscle not lifted' => [
            $sore('sternocleidomastoid_sternal', 'scalene_middle', 'trapezius_upper')->complaint('neck_side', 'left')->condition(
                'whiplash_injury', ['since' => '2026-02-10', 'swelling_trend' => 'falling'],
            ),
            static fn (PlanStep $step): bool => $on('neck_front')($step) || $step->technique === 'muscle_scoop',
        ];
        yield 'scalenes that nobody agreed to' => [
            CaseBuilder::aCase()->complaint('neck_side', 'left')->felt('scalene_middle', 'left', ['tenderness' => 3, 'familiar' => 'yes']),
            $treats('scalene_anterior', 'scalene_middle', 'scalene_posterior'),
        ];
        yield 'a hernia, and the belly' => [
            $sore('psoas_major')->complaint('groin', 'left')->condition('hernia', ['severity' => 'mild', 'stage' => 'late']),
            static fn (PlanStep $step): bool => $step->technique === 'breath_assisted_sink',
        ];
        yield 'the buttock face-up' => [
            $sore('gluteus_maximus', 'piriformis', 'rectus_femoris')->complaint('buttock', 'left'),
            static fn (PlanStep $step): bool => $on('buttock')($step) && str_starts_with($step->position, 'supine'),
        ];
        yield 'an elbow where the same step warns of it' => [
            $sore('piriformis', 'gluteus_maximus', 'deep_lateral_rotators')->complaint('buttock', 'left'),
            static fn (PlanStep $step): bool => $step->tool === 'elbow'
                && preg_match('/no (sustained )?elbow/', strtolower(implode(' ', array_column($step->cautions, 'text')))) === 1,
        ];
    }

    public function test_the_other_side_is_pressed_no_harder_by_the_hand_though_it_bears_more(): void
    {
        $plan = Core::clinic()->plan(CaseBuilder::aCase()->complaint('low_back', 'left')
            ->felt('erector_spinae_lumbar', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'ppt_kpa' => 150])
            ->felt('erector_spinae_lumbar', 'right', ['tenderness' => 0, 'ppt_kpa' => 600])
            ->with(['session' => ['school' => ['both_sides' => 'always_equal']]])
            ->make());
        $hand = [];
        foreach ($plan->steps as $step) {
            if ($step->at?->muscle === 'erector_spinae_lumbar' && $step->passes !== []) {
                $hand[$step->at->side->value] = max(array_map(static fn ($pass): float => $pass->tissueKpa, $step->passes));
            }
        }

        self::assertSame(['left', 'right'], array_keys($hand));
        self::assertLessThanOrEqual($hand['left'] + 1e-6, $hand['right']);
    }

    public function test_a_broad_stroke_leans_by_the_least_robust_tissue_under_it(): void
    {
        $atlas = Core::clinic()->atlas();
        $plan = Core::clinic()->plan(
            CaseBuilder::aCase()
                ->complaint('shoulder_top', 'left')
                ->felt('trapezius_upper', 'left', ['tenderness' => 3, 'familiar' => 'yes', 'ppt_kpa' => 900])
                ->make(),
        );
        $warm = array_values(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind->value === 'warm_up'))[0];
        $zones = array_map(static fn ($place): string => $place->zone, $warm->places);
        $softest = min(array_map(static fn ($muscle): float => $muscle->pptKpa, array_filter(
            $atlas->muscles, static fn ($muscle): bool => $muscle->layer <= 2 && array_intersect($muscle->zones, $zones) !== [],
        )));

        self::assertLessThanOrEqual($softest / 7.5 * $warm->passes[0]->pressure + 1e-6, $warm->passes[0]->tissueKpa);
    }

    public function test_half_the_minutes_until_a_doctor_has_said_yes(): void
    {
        $case = static fn (array $leave): PlanResult => Core::clinic()->plan(CaseBuilder::aCase()->complaint('low_back', 'left')
            ->felt('erector_spinae_lumbar', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
            ->felt('quadratus_lumborum', 'left', ['tenderness' => 3])
            ->felt('levator_scapulae', 'left', ['tenderness' => 3])
            ->felt('gastrocnemius', 'left', ['tenderness' => 3])
            ->felt('infraspinatus', 'left', ['tenderness' => 3])
            ->condition('pregnancy', ['severity' => 'moderate', 'weeks_pregnant' => 10, ...$leave])
            ->with(['session' => ['minutes' => 30]])
            ->make());

        self::assertLessThanOrEqual(15, $case([])->minutes());
        self::assertGreaterThan(15, $case(['leave' => ['given' => true, 'by' => 'her midwife', 'on' => '2026-03-01']])->minutes());
    }

    public function test_a_rash_on_the_shin_stops_no_stroke_on_the_neck(): void
    {
        $plan = Core::clinic()->plan(CaseBuilder::aCase()
            ->complaint('neck_back', 'left')
            ->felt('splenius_capitis', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
            ->condition('skin_problem', ['severity' => 'mild', 'zones' => [['zone' => 'shin', 'side' => 'left']]])->make());

        self::assertContains('effleurage', array_map(static fn (PlanStep $step): ?string => $step->technique, $plan->steps));
    }

    public function test_the_mouth_has_its_hygiene_and_no_oil_comes_before_it(): void
    {
        $plan = Core::clinic()->plan(
            CaseBuilder::aCase()
                ->agreed('face', 'mouth')
                ->with(['therapist' => ['experience' => 'advanced']])
                ->complaint('cheek', 'left')
                ->felt('lateral_pterygoid', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
                ->make(),
        );
        $told = array_values(array_map(
            static fn (PlanStep $step): string => $step->what ?? (string) $step->technique,
            array_filter($plan->steps, static fn (PlanStep $step): bool => $step->what !== null || $step->technique === 'intraoral_hold'),
        ));

        self::assertSame(['wash', 'glove_on', 'intraoral_hold', 'intraoral_hold', 'glove_off_wash'], $told);
        self::assertLessThanOrEqual(60, $plan->minutes());
    }

    /** @param  list<array<string, mixed>>  $conditions */
    #[DataProvider('movementsOfTheirOwn')]
    public function test_what_the_client_does_is_judged_as_a_touch(array $conditions, bool $moves): void
    {
        $case = CaseBuilder::aCase()
            ->complaint('low_back', 'left')
            ->felt('quadratus_lumborum', 'left', ['tenderness' => 3, 'familiar' => 'yes'])
            ->with([
                'health' => ['conditions' => $conditions],
                'exposure' => [['muscle' => 'quadratus_lumborum', 'side' => 'left', 'visits' => 2]],
            ]);
        $worked = array_values(array_filter(
            Core::clinic()->plan($case->make())->steps,
            static fn (PlanStep $step): bool => $step->at?->muscle === 'quadratus_lumborum'
                && $step->kind->value === 'treat'
                && ! $step->otherSide,
        ));

        self::assertNotSame([], $worked);
        $asked = array_merge(...array_map(
            static fn (PlanStep $step): array => array_map(static fn ($one): ?string => $one->clientAction, $step->manoeuvres), $worked,
        ));
        self::assertSame($moves, array_filter($asked) !== []);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, bool}> */
    public static function movementsOfTheirOwn(): iterable
    {
        yield 'nothing against it: the client moves it' => [[], true];
        yield 'joints that go too far: nothing is moved under the hand' => [
            [['condition' => 'hypermobility', 'answer' => 'yes', 'severity' => 'mild']], false,
        ];
    }
}
