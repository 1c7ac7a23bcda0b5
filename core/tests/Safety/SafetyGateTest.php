<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class SafetyGateTest extends TestCase
{
    #[DataProvider('verdicts')]
    public function test_the_strongest_rule_that_fires_is_the_verdict(CaseBuilder $case, string $verdict): void
    {
        self::assertSame($verdict, $this->screen($case)->verdict->value);
    }

    /** @return iterable<string, array{CaseBuilder, string}> */
    public static function verdicts(): iterable
    {
        $case = CaseBuilder::aCase(...);
        yield 'nothing found' => [$case(), 'proceed'];
        yield 'nothing asked' => [$case()->nothingAsked(), 'modify'];
        yield 'saddle numbness' => [$case()->flag('saddle_numbness'), 'emergency'];
        foreach (['dizzy_with_neck_movement', 'swallowing_trouble', 'numb_face', 'unsteady_walk'] as $sign) {
            yield "$sign alone" => [$case()->flag($sign), 'refer'];
        }
        yield 'two neck signs' => [$case()->flag('numb_face')->flag('unsteady_walk'), 'emergency'];
        yield 'dizzy and a positive positional check are one sign' => [
            $case()->flag('dizzy_with_neck_movement')->add(
                'findings', 'tests', ['test' => 'positional_artery', 'side' => 'left', 'result' => 'positive'],
            ),
            'refer',
        ];
        yield 'hot calf alone' => [$case()->flag('hot_swollen_calf'), 'refer'];
        yield 'hot calf and breathless' => [$case()->flag('hot_swollen_calf')->flag('chest_pain_or_breathless'), 'emergency'];
        yield 'hot joint alone' => [$case()->flag('hot_red_joint'), 'refer'];
        yield 'hot joint and fever' => [$case()->flag('hot_red_joint')->flag('fever_or_infection_today'), 'emergency'];
        yield 'cannot turn, no injury' => [$case()->flag('cannot_turn_neck_45'), 'modify'];
        yield 'cannot turn after a whiplash two weeks ago' => [
            $case()->flag('cannot_turn_neck_45')->condition('whiplash_injury', ['since' => '2026-02-16', 'swelling_trend' => 'gone']),
            'refer',
        ];
        yield 'pulsing mass with low back pain' => [$case()->flag('pulsing_abdominal_mass')->complaint('low_back', 'left'), 'emergency'];
        yield 'drunk' => [$case()->flag('intoxicated'), 'defer'];
        yield 'jaw ache and a change of sight' => [
            $case()->flag('new_headache_over_50_jaw_ache_chewing')->flag('visual_change_with_headache'), 'emergency',
        ];
        yield 'sixteen, nobody asked a guardian' => [$case()->aged(16), 'defer'];
        yield 'sixteen, the guardian agreed' => [$case()->aged(16)->with(['client' => ['guardian_consent' => true]]), 'proceed'];
        yield 'seventy-eight' => [$case()->aged(78), 'modify'];
        yield 'pressure 182 over 95' => [
            $case()->condition(
                'high_blood_pressure',
                ['severity' => 'mild', 'stage' => 'settled', 'controlled' => 'yes', 'systolic' => 182, 'diastolic' => 95],
            ),
            'defer',
        ];
        yield 'a flare' => [$case()->condition('inflammatory_flare'), 'defer'];
        yield 'a strained hernia' => [$case()->condition('hernia', ['severity' => 'severe', 'stage' => 'late']), 'emergency'];
        yield 'brittle bones, severe, doctor not asked' => [
            $case()->condition('osteoporosis', ['severity' => 'severe', 'stage' => 'late']), 'defer',
        ];
        yield 'swelling after whiplash the same for eleven days' => [
            $case()->condition('whiplash_injury', ['since' => '2026-02-19', 'swelling_trend' => 'same']), 'refer',
        ];
        yield 'swelling after whiplash falling' => [
            $case()->condition('whiplash_injury', ['since' => '2026-02-19', 'swelling_trend' => 'falling']), 'modify',
        ];
    }

    public function test_an_open_red_flag_holds_the_visit_and_names_itself(): void
    {
        $result = $this->screen(CaseBuilder::aCase()->flag('saddle_numbness', 'unknown'))->toArray();

        self::assertSame('modify', $result['verdict']);
        self::assertFalse($result['may_start']);
        self::assertSame(
            ['saddle_numbness'],
            array_column(
                array_filter(
                    $result['limits'],
                    static fn (array $limit): bool => $limit['effect'] === 'check_first' && $limit['scope'] === ['all' => true],
                ),
                'value',
            ),
        );
        self::assertContains('saddle_numbness', array_column($result['questions'], 'id'));
    }

    public function test_unasked_conditions_make_at_most_seven_questions(): void
    {
        $questions = array_column($this->screen(CaseBuilder::aCase()->nothingAsked())->toArray()['questions'], 'id');
        $groups = array_filter($questions, static fn (string $id): bool => str_starts_with($id, 'conditions.'));

        self::assertCount(7, $groups);
    }

    #[DataProvider('caps')]
    public function test_a_graded_condition_caps_the_pressure_where_it_says(CaseBuilder $case, string $zone, ?float $cap): void
    {
        $limit = $this->screen($case)->limits->pressureCap(new ProposedWork([new Place($zone, Side::Left)], 'stripping', 'fist', 'prone'));

        self::assertSame($cap, $limit === null ? null : (float) $limit->value);
    }

    /** @return iterable<string, array{CaseBuilder, string, ?float}> */
    public static function caps(): iterable
    {
        $bones = static fn (string $severity, string $stage): CaseBuilder => CaseBuilder::aCase()->condition(
            'osteoporosis', ['severity' => $severity, 'stage' => $stage],
        );
        yield 'brittle bones, mild' => [$bones('mild', 'late'), 'mid_back', 6.0];
        yield 'mild but acute moves one column' => [$bones('mild', 'acute'), 'mid_back', 5.0];
        yield 'moderate' => [$bones('moderate', 'settled'), 'mid_back', 5.0];
        yield 'severe' => [$bones('severe', 'late'), 'mid_back', 3.0];
        yield 'not where there is no spine' => [$bones('moderate', 'late'), 'calf_upper', null];
        yield 'until a doctor has said yes, light everywhere' => [$bones('severe', 'late'), 'calf_upper', 3.0];
        yield 'a replaced knee: near means its group' => [
            CaseBuilder::aCase()->condition(
                'joint_replacement', ['severity' => 'mild', 'stage' => 'settled', 'zones' => [['zone' => 'knee_front', 'side' => 'left']]],
            ),
            'knee_back', 5.0,
        ];
        yield 'no place given: everywhere' => [
            CaseBuilder::aCase()->condition('joint_replacement', ['severity' => 'mild', 'stage' => 'settled']), 'temple', 5.0,
        ];
        yield 'blood thinners' => [
            CaseBuilder::aCase()->condition('anticoagulant_or_clotting_disorder', ['severity' => 'mild', 'stage' => 'late']), 'temple', 4.0,
        ];
        yield 'the strictest of two' => [
            CaseBuilder::aCase()->condition('anticoagulant_or_clotting_disorder', ['severity' => 'mild', 'stage' => 'late'])->condition(
                'osteoporosis', ['severity' => 'severe', 'stage' => 'late'],
            ),
            'low_back', 3.0,
        ];
        yield 'seventy-eight years' => [CaseBuilder::aCase()->aged(78), 'temple', 5.0];
        yield 'seventy-eight, raised in writing by a licensed person' => [
            CaseBuilder::aCase()->aged(78)->with([
                'overrides' => [[
                    'verdict' => 'modify', 'by_licensed' => true, 'reason' => 'Strong and used to it.', 'on' => '2026-03-02',
                    'pressure_cap' => 8,
                ]],
            ]),
            'temple', 6.0,
        ];
        yield 'a strained muscle yesterday' => [
            CaseBuilder::aCase()->condition(
                'muscle_strain', ['since' => '2026-02-20', 'zones' => [['zone' => 'thigh_back', 'side' => 'left']]],
            ),
            'thigh_front', 4.0,
        ];
    }

    public function test_late_pregnancy_forbids_the_back_and_the_belly(): void
    {
        $limits = $this->screen(CaseBuilder::aCase()->condition('pregnancy', ['severity' => 'mild', 'weeks_pregnant' => 27]))->limits;

        foreach (['prone', 'supine'] as $position) {
            self::assertNotNull(
                $limits->forbidding(new ProposedWork([new Place('low_back', Side::Left)], 'stripping', 'palm', $position)), $position,
            );
        }
        self::assertNull($limits->forbidding(new ProposedWork([new Place('low_back', Side::Left)], 'stripping', 'palm', 'side_left')));
        self::assertNotNull($limits->forbidding(
            new ProposedWork([new Place('abdomen_lower', Side::Left)], 'stripping', 'palm', 'side_left'),
        ));
    }

    public function test_weeks_nobody_knows_count_as_over_twenty(): void
    {
        $limits = $this->screen(CaseBuilder::aCase()->condition('pregnancy', ['severity' => 'mild']))->limits;

        self::assertNotNull($limits->forbidding(new ProposedWork([], null, null, 'supine')));
    }

    public function test_all_reasons_of_a_combined_limit_stay_visible(): void
    {
        $case = CaseBuilder::aCase()->aged(80)->condition('anticoagulant_or_clotting_disorder', ['severity' => 'mild', 'stage' => 'late']);
        $limit = array_values(array_filter(
            $this->screen($case)->toArray()['limits'],
            static fn (array $limit): bool => $limit['effect'] === 'cap_pressure' && $limit['scope'] === ['all' => true],
        ))[0];

        self::assertSame(4, $limit['value']);
        self::assertSame(['age.older', 'condition.anticoagulant_or_clotting_disorder'], $limit['rules']);
        self::assertStringContainsString('75', $limit['reason']);
        self::assertStringContainsString('lood thinners', $limit['reason']);
    }

    #[DataProvider('overrides')]
    public function test_a_written_decision_lowers_refer_and_defer_but_never_an_emergency(
        string $flag,
        bool $licensed,
        string $on,
        string $verdict,
    ): void {
        $before = $this->screen(CaseBuilder::aCase()->flag($flag))->verdict->value;
        $case = CaseBuilder::aCase()->flag($flag)->with([
            'overrides' => [[
                'verdict' => in_array($before, ['refer', 'defer'], true) ? $before : 'refer', 'by_licensed' => $licensed,
                'reason' => 'Seen by her doctor this morning.', 'on' => $on,
            ]],
        ]);

        self::assertSame($verdict, $this->screen($case)->verdict->value);
    }

    /** @return iterable<string, array{string, bool, string, string}> */
    public static function overrides(): iterable
    {
        yield 'refer, licensed' => ['weight_loss_unexplained', true, '2026-03-02', 'modify'];
        yield 'refer, not licensed' => ['weight_loss_unexplained', false, '2026-03-02', 'refer'];
        yield 'refer, decided last week' => ['weight_loss_unexplained', true, '2026-02-23', 'refer'];
        yield 'defer, licensed' => ['intoxicated', true, '2026-03-02', 'modify'];
        yield 'emergency' => ['saddle_numbness', true, '2026-03-02', 'emergency'];
    }

    public function test_an_override_keeps_every_limit(): void
    {
        $case = CaseBuilder::aCase()->flag('numb_face');
        $limits = count($this->screen($case)->limits->all());
        $case->with([
            'overrides' => [['verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Old nerve injury, known.', 'on' => '2026-03-02']],
        ]);

        self::assertCount($limits, $this->screen($case)->limits->all());
        self::assertGreaterThan(0, $limits);
    }

    #[DataProvider('ages')]
    public function test_answers_grow_old(string $answered, string $part, string $flag, string $verdict): void
    {
        $case = CaseBuilder::aCase()->flag($flag, 'no')->with(['health' => ['answered_on' => [$part => $answered]]]);

        self::assertSame($verdict, $this->screen($case)->verdict->value);
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function ages(): iterable
    {
        yield 'every-visit flag of today' => ['2026-03-02', 'red_flags_every_visit', 'saddle_numbness', 'proceed'];
        yield 'every-visit flag of yesterday' => ['2026-03-01', 'red_flags_every_visit', 'saddle_numbness', 'modify'];
        yield 'other flag of four weeks' => ['2026-02-02', 'red_flags_other', 'weight_loss_unexplained', 'proceed'];
        yield 'other flag of five weeks' => ['2026-01-26', 'red_flags_other', 'weight_loss_unexplained', 'modify'];
    }

    public function test_a_danger_once_named_does_not_fade_with_age(): void
    {
        $case = CaseBuilder::aCase()->flag('weight_loss_unexplained')->with([
            'health' => ['answered_on' => ['red_flags_other' => '2025-12-01']],
        ]);

        self::assertSame('refer', $this->screen($case)->verdict->value);
    }

    /** @param  array<string, string>  $items */
    #[DataProvider('calves')]
    public function test_the_calf_score_counts_what_was_answered_yes(array $items, int $sum, string $verdict): void
    {
        $result = $this->screen(CaseBuilder::aCase()->with(['health' => ['leg_signs' => 'yes', 'calf_clot_items' => (object) $items]]));

        self::assertSame($sum, $result->clot?->sum);
        self::assertSame($verdict, $result->verdict->value);
    }

    /** @return iterable<string, array{array<string, string>, int, string}> */
    public static function calves(): iterable
    {
        $no = array_fill_keys(array_keys(Core::clinic()->rules()->clot->items), 'no');
        yield 'a sign, and every item denied: the leg still waits' => [$no, 0, 'modify'];
        yield 'one yes' => [[...$no, 'pitting_oedema' => 'yes'], 1, 'refer'];
        yield 'one yes, and something else as likely' => [
            [...$no, 'pitting_oedema' => 'yes', 'other_diagnosis_as_likely' => 'yes'], -1, 'modify',
        ];
        yield 'nothing answered yet' => [[], 0, 'modify'];
        yield 'three yes' => [[...$no, 'active_cancer' => 'yes', 'previous_clot' => 'yes', 'superficial_veins' => 'yes'], 3, 'refer'];
    }

    public function test_measured_girths_fill_the_calf_item(): void
    {
        $girths = CaseBuilder::aCase()
            ->add('findings', 'tests', ['test' => 'calf_girth', 'side' => 'left', 'value' => 40])
            ->add('findings', 'tests', ['test' => 'calf_girth', 'side' => 'right', 'value' => 36]);

        self::assertSame(1, $this->screen($girths)->clot?->sum);
        self::assertSame('refer', $this->screen($girths)->verdict->value);
    }

    public function test_a_worrying_report_after_the_last_visit_counts_until_it_is_denied(): void
    {
        $reported = CaseBuilder::aCase()->visited(
            '2026-02-20', ['aftermath' => [['hours' => 24, 'worrying' => ['progressive_weakness_or_numbness']]]],
        );

        self::assertSame('refer', $this->screen($reported)->verdict->value);
        self::assertSame('proceed', $this->screen($reported->flag('progressive_weakness_or_numbness', 'no'))->verdict->value);
    }

    public function test_the_sentence_of_the_strictest_column_is_the_one_that_is_read(): void
    {
        $limit = $this->screen(CaseBuilder::aCase()->condition('osteoporosis', ['severity' => 'moderate', 'stage' => 'late']))->limits
            ->pressureCap(new ProposedWork([new Place('mid_back', Side::Left)]));

        self::assertStringContainsString('at most 5', $limit?->because() ?? '');
        self::assertStringNotContainsString('at most 6', $limit?->toArray()['reason'] ?? '');
    }

    public function test_what_lies_on_one_side_stays_on_its_side(): void
    {
        $limits = $this->screen(
            CaseBuilder::aCase()->complaint('groin', 'right')->condition('bowel_disease', ['severity' => 'severe', 'stage' => 'late']),
        )->limits;

        self::assertNotNull($limits->forbidding(new ProposedWork([new Place('groin', Side::Left)])));
        self::assertNull($limits->forbidding(new ProposedWork([new Place('groin', Side::Right)])));
        self::assertNotNull($limits->forbidding(new ProposedWork([], muscle: new MuscleAt('iliacus', Side::Left))));
        self::assertNull($limits->forbidding(new ProposedWork([], muscle: new MuscleAt('iliacus', Side::Right))));
    }

    public function test_latex_not_asked_is_no_latex(): void
    {
        $limits = $this->screen(CaseBuilder::aCase()->nothingAsked())->limits;

        self::assertNotNull($limits->forbidding(new ProposedWork([], null, null, null, 'latex_glove')));
        self::assertNull($limits->forbidding(new ProposedWork([], null, null, null, 'nitrile_glove')));
    }

    private function screen(CaseBuilder $case): SafetyResult
    {
        return Core::clinic()->screen($case->make());
    }

    public function test_how_soon_is_told_by_the_rules_of_the_verdict_alone(): void
    {
        $both = CaseBuilder::aCase()->flag('weight_loss_unexplained')->flag('intoxicated');
        $result = Core::clinic()->screen($both->make());

        self::assertSame(
            ['refer', 7], [$result->verdict->value, $result->days], 'put off for a day says nothing of how soon a doctor looks',
        );
    }

    #[DataProvider('falls')]
    public function test_a_fall_and_a_neck_that_hurts_are_sent_on_for_two_weeks(?string $since, bool $sent): void
    {
        $case = CaseBuilder::aCase()->flag('recent_fall_or_crash_unexamined')->complaint('neck_back', 'left', 4);
        $case = $since === null ? $case : $case->with(['health' => ['red_flag_since' => ['recent_fall_or_crash_unexamined' => $since]]]);
        $rules = array_column(Core::clinic()->screen($case->make())->toArray()['because'], 'rule');

        self::assertSame($sent, in_array('finding.crash_with_neck_pain', $rules, true));
    }

    /** @return iterable<string, array{string|null, bool}> */
    public static function falls(): iterable
    {
        yield 'nobody said when' => [null, true];
        yield 'two weeks ago' => ['2026-02-16', true];
        yield 'a day longer' => ['2026-02-15', false];
    }
}
