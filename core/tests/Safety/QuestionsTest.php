<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\TouchGate;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What is asked besides, of whom, in which order, and what a verdict gives as its reason. */
final class QuestionsTest extends TestCase
{
    private const KNEE = [['zone' => 'knee_front', 'side' => 'left']];

    /**
     * @param  array<string, mixed>  $said
     * @param  list<string>  $asked
     */
    #[DataProvider('openParts')]
    public function test_what_a_condition_needs_and_nobody_said_is_asked_and_nothing_else(
        string $condition,
        array $said,
        array $asked,
    ): void {
        self::assertSame(
            array_map(static fn (string $part): string => "condition.$condition.$part", $asked),
            $this->ids($this->screen(CaseBuilder::aCase()->condition($condition, $said))),
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>}> */
    public static function openParts(): iterable
    {
        yield 'a worn joint: how bad, since when, where' => ['osteoarthritis', [], ['severity', 'stage', 'zones']];
        yield 'how bad is known' => ['osteoarthritis', ['severity' => 'mild'], ['stage', 'zones']];
        yield 'and the day it began' => ['osteoarthritis', ['severity' => 'mild', 'since' => '2025-11-02'], ['zones']];
        yield 'and the place' => ['osteoarthritis', ['severity' => 'mild', 'stage' => 'late', 'zones' => self::KNEE], []];
        yield 'a strain is graded by its days, not by a word' => ['muscle_strain', [], ['stage', 'zones']];
        yield 'a stiff shoulder lies at a shoulder, though its limits are for all of it' => [
            'frozen_shoulder', ['since' => '2025-11-02'], ['zones'],
        ];
        yield 'of an allergy one is as bad as another' => ['latex_allergy', [], []];
        yield 'blood pressure lies nowhere in particular' => ['high_blood_pressure', [], ['severity', 'stage']];
        yield 'a pregnancy has its weeks and no stage' => ['pregnancy', [], ['severity', 'weeks']];
        yield 'the weeks are known' => ['pregnancy', ['severity' => 'mild', 'weeks_pregnant' => 10], []];
    }

    #[DataProvider('bodies')]
    public function test_a_pregnancy_is_asked_of_whom_it_can_be(string $sex, int $age, bool $asked): void
    {
        $questions = $this->screen(CaseBuilder::aCase()->nothingAsked()->with(['client' => ['sex' => $sex]])->aged($age))
            ->toArray()['questions'];

        self::assertSame($asked, str_contains(implode(' ', array_column($questions, 'ask')), 'Are you pregnant?'));
    }

    /** @return iterable<string, array{string, int, bool}> */
    public static function bodies(): iterable
    {
        yield 'a woman of thirty' => ['female', 30, true];
        yield 'a man of thirty' => ['male', 30, false];
        yield 'a girl of eleven' => ['female', 11, false];
        yield 'of twelve' => ['female', 12, true];
        yield 'a woman of fifty-five' => ['female', 55, true];
        yield 'of fifty-six' => ['female', 56, false];
    }

    #[DataProvider('births')]
    public function test_a_birth_counts_for_twelve_weeks_though_nobody_names_it(int $weeks, bool $counts): void
    {
        $rules = array_column(
            $this->screen(CaseBuilder::aCase()->with(['client' => ['weeks_since_birth' => $weeks]]))->toArray()['because'], 'rule',
        );

        $conditions = array_filter($rules, static fn (string $rule): bool => str_starts_with($rule, 'condition.'));
        self::assertSame($counts ? ['condition.postnatal'] : [], array_values($conditions), 'and nothing else follows from it');
    }

    /** @return iterable<string, array{int, bool}> */
    public static function births(): iterable
    {
        yield 'today' => [0, true];
        yield 'last week' => [1, true];
        yield 'twelve weeks ago' => [12, true];
        yield 'thirteen' => [13, false];
    }

    public function test_medicines_are_asked_until_one_is_named_or_the_group_was_read_out(): void
    {
        self::assertContains('medicines', $this->ids($this->screen(CaseBuilder::aCase()->nothingAsked())));
        self::assertNotContains(
            'medicines',
            $this->ids($this->screen(
                CaseBuilder::aCase()->nothingAsked()->add('health', 'medicines', ['medicine' => 'opioid', 'answer' => 'yes']),
            )),
        );
        self::assertNotContains(
            'medicines',
            $this->ids($this->screen(
                CaseBuilder::aCase()->nothingAsked()->with(['health' => ['groups_asked' => ['allergies_medicines' => '2026-03-01']]]),
            )),
        );
        self::assertNotContains('medicines', $this->ids($this->screen(CaseBuilder::aCase())));
    }

    public function test_a_calf_is_asked_after_where_nobody_did(): void
    {
        self::assertContains('leg_signs', $this->ids($this->screen(CaseBuilder::aCase()->nothingAsked())));
        self::assertNotContains('leg_signs', $this->ids($this->screen(CaseBuilder::aCase())));
        self::assertContains(
            'clot.active_cancer', $this->ids($this->screen(CaseBuilder::aCase()->with(['health' => ['leg_signs' => 'unknown']]))),
        );
        self::assertSame(
            [],
            $this->ids($this->screen(
                CaseBuilder::aCase()->with([
                    'health' => [
                        'leg_signs' => 'unknown',
                        'calf_clot_items' => array_fill_keys(array_keys(Core::clinic()->rules()->clot->items), 'no'),
                    ],
                ]),
            )),
        );
    }

    public function test_what_holds_the_visit_comes_first_and_then_the_names_decide(): void
    {
        $questions = $this->screen(
            CaseBuilder::aCase()->flag('numb_face', 'unknown')->flag('both_legs_weak', 'unknown')->condition('osteoarthritis', []),
        )->toArray()['questions'];

        self::assertSame(
            [
                'both_legs_weak', 'numb_face', 'condition.osteoarthritis.severity', 'condition.osteoarthritis.stage',
                'condition.osteoarthritis.zones',
            ],
            array_column($questions, 'id'),
        );
        self::assertSame([true, true, false, false, false], array_column($questions, 'blocks'));
        self::assertSame('Asked at every visit, before hands go on.', $questions[0]['because']);
        self::assertSame('Asked at the first visit and once a month.', $questions[1]['because']);
    }

    public function test_a_verdict_names_each_rule_behind_it_with_its_words(): void
    {
        $because = $this->screen(
            CaseBuilder::aCase()->flag('numb_face')->condition(
                'osteoarthritis', ['severity' => 'mild', 'stage' => 'late', 'zones' => self::KNEE],
            ),
        )->toArray()['because'];

        self::assertContains(
            ['flag.numb_face', 'refer'], array_map(static fn (array $one): array => [$one['rule'], $one['verdict']], $because),
        );
        self::assertStringStartsWith('Numbness of the face', array_column($because, 'reason', 'rule')['flag.numb_face']);
    }

    public function test_a_question_of_what_was_found_says_whether_it_disagrees_with_an_answer(): void
    {
        $root = CaseBuilder::aCase()->add(
            'findings', 'complaints', ['zone' => 'arm_outer', 'side' => 'left', 'now' => 5, 'qualities' => ['numb']],
        )->add(
            'findings', 'tests', ['test' => 'cervical_lift', 'side' => 'midline', 'result' => 'relieves'],
        );
        $result = $this->screen($root);

        self::assertContains('finding.root_arm.left', $this->ids($result));
        // only what contradicts an answer is told as a disagreement
        self::assertSame(['finding.root_arm.denied.left' => 'disagreement'], array_column($result->toArray()['questions'], 'kind', 'id'));
    }

    /** @param  array{string, string, int}  $before  movement, side, strength of a week ago */
    #[DataProvider('strengths')]
    public function test_only_the_same_movement_of_the_same_side_grows_weaker(array $before, string $verdict): void
    {
        [$movement, $side, $strength] = $before;
        $case = CaseBuilder::aCase()->add(
            'findings', 'complaints', ['zone' => 'arm_back', 'side' => 'left', 'now' => 5, 'qualities' => ['numb']],
        )
            ->add('findings', 'tests', ['test' => 'cervical_lift', 'side' => 'midline', 'result' => 'relieves'])
            ->add('findings', 'resisted', ['movement' => 'elbow.extension', 'side' => 'left', 'strength' => 4])
            ->visited('2026-02-20', ['findings' => ['resisted' => [['movement' => $movement, 'side' => $side, 'strength' => $strength]]]]);

        self::assertSame($verdict, $this->screen($case)->verdict->value);
    }

    /** @return iterable<string, array{array{string, string, int}, string}> */
    public static function strengths(): iterable
    {
        yield 'the same, weaker by one' => [['elbow.extension', 'left', 5], 'refer'];
        yield 'the same, as it was' => [['elbow.extension', 'left', 4], 'modify'];
        yield 'the other side was stronger' => [['elbow.extension', 'right', 5], 'modify'];
        yield 'another movement was stronger' => [['elbow.flexion', 'left', 5], 'modify'];
    }

    public function test_swelling_that_a_doctor_explained_is_not_sent_on_again(): void
    {
        $swollen = static fn (): CaseBuilder => CaseBuilder::aCase()->add(
            'findings', 'tests', ['test' => 'swelling', 'side' => 'left', 'value' => 2],
        )
            ->visited('2026-02-10', ['findings' => ['tests' => [['test' => 'swelling', 'side' => 'left', 'value' => 2]]]]);
        $denied = static fn (string $on): CaseBuilder => $swollen()->flag('swelling_not_settling', 'no')->with([
            'health' => ['answered_on' => ['red_flags_every_visit' => $on, 'red_flags_other' => $on]],
        ]);

        self::assertContains(
            'swelling_measured',
            $this->rules(
                $swollen()->with([
                    'health' => ['answered_on' => ['red_flags_every_visit' => '2025-12-01', 'red_flags_other' => '2025-12-01']],
                ]),
            ),
        );
        self::assertNotContains('swelling_measured', $this->rules($denied('2026-03-02')));
    }

    public function test_two_rules_of_one_limit_are_told_alike_in_whatever_order_they_were_answered(): void
    {
        $one = ['condition' => 'osteoporosis', 'answer' => 'yes', 'severity' => 'moderate', 'stage' => 'late', 'on' => '2026-03-02'];
        $other = [
            'condition' => 'anticoagulant_or_clotting_disorder', 'answer' => 'yes', 'severity' => 'moderate', 'stage' => 'late',
            'on' => '2026-03-02',
        ];
        $told = fn (array ...$conditions): array => array_map(
            static fn ($limit): array => [$limit->key(), $limit->because(), $limit->cause, $limit->rules],
            $this->screen(CaseBuilder::aCase()->with(['health' => ['conditions' => $conditions]]))->limits->all(),
        );
        $forward = $told($one, $other);
        $backward = $told($other, $one);
        sort($forward);
        sort($backward);

        self::assertSame($forward, $backward);
        $both = array_values(array_filter($forward, static fn (array $limit): bool => count($limit[3]) > 1));
        self::assertNotSame([], $both, 'the two meet nowhere');
        foreach ($both as [$key, $because, $cause]) {
            self::assertStringStartsWith(ucfirst($cause), $because, $key);
        }
    }

    /** @param  array<string, string>  $items */
    #[DataProvider('calves')]
    public function test_the_calf_score_says_how_far_it_may_still_go(array $items, int $sum, int $least, int $most): void
    {
        $clot = $this->screen(CaseBuilder::aCase()->with(['health' => ['leg_signs' => 'yes', 'calf_clot_items' => (object) $items]]))->clot;

        self::assertSame([$sum, $least, $most], [$clot?->sum, $clot?->least, $clot?->most]);
    }

    /** @return iterable<string, array{array<string, string>, int, int, int}> */
    public static function calves(): iterable
    {
        $no = array_fill_keys(array_keys(Core::clinic()->rules()->clot->items), 'no');
        $items = count($no) - 1;
        yield 'nothing answered: from the one that counts against to all the others' => [[], 0, -2, $items];
        yield 'all denied' => [$no, 0, 0, 0];
        yield 'one yes, one open' => [[...$no, 'pitting_oedema' => 'yes', 'previous_clot' => 'unknown'], 1, 1, 2];
        yield 'what counts against is open' => [[...$no, 'pitting_oedema' => 'yes', 'other_diagnosis_as_likely' => 'unknown'], 1, -1, 1];
        yield 'what counts against is so' => [[...$no, 'pitting_oedema' => 'yes', 'other_diagnosis_as_likely' => 'yes'], -1, -1, -1];
    }

    /** @return list<string> */
    private function ids(SafetyResult $result): array
    {
        return array_column($result->toArray()['questions'], 'id');
    }

    /** @return list<string> */
    private function rules(CaseBuilder $case): array
    {
        return array_column($this->screen($case)->toArray()['because'], 'rule');
    }

    private function screen(CaseBuilder $case): SafetyResult
    {
        return Core::clinic()->screen($case->make());
    }

    public function test_what_nobody_answered_was_not_asked(): void
    {
        $asked = fn (CaseBuilder $case): bool => $this->screen($case)->asked;

        self::assertTrue($asked(CaseBuilder::aCase()));
        self::assertFalse($asked(CaseBuilder::aCase()->nothingAsked()));
        self::assertFalse($asked(CaseBuilder::aCase()->nothingAsked()->condition('osteoporosis', ['answer' => 'unknown'])));
        self::assertFalse($asked(CaseBuilder::aCase()->nothingAsked()->flag('numb_face', 'unknown')));
        self::assertTrue($asked(CaseBuilder::aCase()->nothingAsked()->condition('osteoporosis', ['answer' => 'no'])));
        self::assertTrue($asked(CaseBuilder::aCase()->nothingAsked()->flag('numb_face', 'no')));
        self::assertTrue($asked(CaseBuilder::aCase()->nothingAsked()->with(['health' => ['leg_signs' => 'no']])));
    }

    /** @param  list<string>  $details */
    #[TestWith(['high_blood_pressure', ['severity', 'controlled', 'pressure']], 'blood pressure')]
    #[TestWith(['pregnancy', ['severity', 'weeks']], 'pregnancy')]
    #[TestWith(['whiplash_injury', ['severity', 'swelling']], 'a neck injury')]
    #[TestWith(['latex_allergy', []], 'an allergy')]
    public function test_what_is_worth_asking_of_a_condition(string $condition, array $details): void
    {
        self::assertSame($details, Core::clinic()->rules()->conditions[$condition]->details());
    }

    public function test_a_hot_swollen_calf_is_a_sign_whatever_else_was_said_of_calves(): void
    {
        self::assertNull($this->screen(CaseBuilder::aCase())->clot);
        self::assertTrue($this->screen(CaseBuilder::aCase()->flag('hot_swollen_calf'))->clot?->sign);
    }

    public function test_a_decision_against_a_verdict_is_told(): void
    {
        $case = CaseBuilder::aCase()->flag('progressive_weakness_or_numbness');
        self::assertNull($this->screen($case)->toArray()['overridden']);

        $case->with(['overrides' => [[
            'verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Looked at yesterday; goes on.', 'on' => '2026-03-02',
        ]]]);
        self::assertSame('refer', $this->screen($case)->toArray()['overridden']);
    }

    public function test_some_danger_signs_are_asked_at_every_visit_and_the_others_once_a_month(): void
    {
        $flags = Core::clinic()->rules()->flags;

        self::assertSame([true, false], [$flags->everyVisit('hot_swollen_calf'), $flags->everyVisit('weight_loss_unexplained')]);
        self::assertLessThan($flags->freshDays('weight_loss_unexplained'), $flags->freshDays('hot_swollen_calf'));
        self::assertSame(30, $flags->freshDays('weight_loss_unexplained'));
    }

    public function test_calf_questions_go_on_though_what_was_answered_adds_nothing(): void
    {
        $items = Core::clinic()->rules()->clot->items;
        $asked = fn (array $said): array => array_values(array_filter(
            $this->ids($this->screen(CaseBuilder::aCase()->with(['health' => ['calf_clot_items' => $said]]))),
            static fn (string $id): bool => str_starts_with($id, 'clot.'),
        ));

        self::assertCount(count($items) - 1, $asked(['active_cancer' => 'no']));
        self::assertSame([], $asked(array_fill_keys(array_keys($items), 'no')));
    }

    public function test_what_is_watched_everywhere_is_told_once_and_what_is_watched_in_a_place_is_told_there(): void
    {
        $case = CaseBuilder::aCase()->add('health', 'medicines', ['medicine' => 'opioid', 'answer' => 'yes'])
            ->add('health', 'medicines', [
                'medicine' => 'insulin', 'answer' => 'yes', 'places' => [['zone' => 'thigh_front', 'side' => 'left']],
                'last_dose_hours' => 6,
            ])->make();
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), $case);
        $told = static fn (array $limits): array => array_map(static fn (Limit $one): string => (string) $one->value, $limits);
        $thigh = new ProposedWork([new Place('thigh_front', Side::Left)], 'effleurage', 'palm', 'supine');

        self::assertNotSame([], $told($gate->watchedEverywhere()));
        self::assertNotSame([], $told($gate->watching($thigh)));
        self::assertSame([], array_intersect($told($gate->watchedEverywhere()), $told($gate->watching($thigh))));
        foreach ($gate->watchedEverywhere() as $one) {
            self::assertSame(Effect::Watch, $one->effect);
        }
    }
}
