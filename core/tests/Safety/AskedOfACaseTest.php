<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Safety\Intake;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\SafetyGate;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\TouchGate;
use Somatrace\Core\Safety\When\AllOf;
use Somatrace\Core\Safety\When\Condition;
use Somatrace\Core\Safety\When\DeniedToday;
use Somatrace\Core\Safety\When\Takes;
use Somatrace\Core\Safety\When\TestDone;
use Somatrace\Core\Safety\When\Weak;
use Somatrace\Core\Safety\When\WeeksPregnant;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/** What the rules ask of a case, one question at a time and to its last day. */
final class AskedOfACaseTest extends TestCase
{
    #[DataProvider('asked')]
    public function test_a_condition_holds_only_where_all_of_it_was_said(
        Condition $asks,
        CaseBuilder $case,
        string $answer,
        ?Side $side = null,
    ): void {
        self::assertSame($answer, $asks->holds(self::intake($case), $side)->value);
    }

    /** @return iterable<string, array{0: Condition, 1: CaseBuilder, 2: string, 3?: Side|null}> */
    public static function asked(): iterable
    {
        $test = static fn (array ...$tests): CaseBuilder => array_reduce(
            $tests, static fn (CaseBuilder $case, array $one): CaseBuilder => $case->add('findings', 'tests', $one), CaseBuilder::aCase(),
        );
        $artery = static fn (string $side, array $more = []): array => [
            'test' => 'positional_artery', 'side' => $side, 'result' => 'negative', 'seconds' => 30, ...$more,
        ];
        $done = new TestDone('positional_artery', true, 30);
        yield 'done on both sides, long enough' => [$done, $test($artery('left'), $artery('right')), 'yes'];
        yield 'a side is missing' => [$done, $test($artery('left')), 'no'];
        yield 'twice on one side is not both' => [$done, $test($artery('left'), $artery('left')), 'no'];
        yield 'a second too short' => [$done, $test($artery('left'), $artery('right', ['seconds' => 29])), 'no'];
        yield 'positive is no clean one' => [$done, $test($artery('left'), $artery('right', ['result' => 'positive'])), 'no'];
        $compression = new TestDone('cervical_compression', false, null);
        yield 'done is done, whatever it said' => [
            $compression, $test(['test' => 'cervical_compression', 'side' => 'midline', 'result' => 'positive']), 'yes',
        ];
        yield 'not done is not done' => [
            $compression, $test(['test' => 'cervical_compression', 'side' => 'midline', 'result' => 'not_done']), 'no',
        ];
        yield 'another test is not this one' => [$compression, $test($artery('left')), 'no'];

        $takes = static fn (string $answer, array $more = []): CaseBuilder => CaseBuilder::aCase()->add(
            'health', 'medicines', ['medicine' => 'oral_steroid', 'answer' => $answer, ...$more],
        );
        yield 'taken' => [new Takes('oral_steroid', null), $takes('yes'), 'yes'];
        yield 'denied' => [new Takes('oral_steroid', null), $takes('no'), 'no'];
        yield 'another one' => [new Takes('insulin', null), $takes('yes'), 'no'];
        yield 'as long as asked' => [new Takes('oral_steroid', 12), $takes('yes', ['weeks' => 12]), 'yes'];
        yield 'a week less' => [new Takes('oral_steroid', 12), $takes('yes', ['weeks' => 11]), 'no'];

        $weak = CaseBuilder::aCase()->add('findings', 'resisted', ['movement' => 'elbow.extension', 'side' => 'left', 'strength' => 3]);
        yield 'weak, asked of either side' => [new Weak(['elbow.extension'], 3, null), $weak, 'yes'];
        yield 'weak, asked of its side' => [new Weak(['elbow.extension'], 3, null), $weak, 'yes', Side::Left];
        yield 'weak, asked of the other' => [new Weak(['elbow.extension'], 3, null), $weak, 'no', Side::Right];
        yield 'a grade stronger' => [new Weak(['elbow.extension'], 2, null), $weak, 'no'];

        $denied = new DeniedToday(['numb_face']);
        $said = static fn (string $answer, string $on): CaseBuilder => CaseBuilder::aCase()->with([
            'health' => [
                'red_flags' => ['numb_face' => $answer], 'answered_on' => ['red_flags_other' => $on, 'red_flags_every_visit' => $on],
            ],
        ]);
        yield 'denied today' => [$denied, $said('no', '2026-03-02'), 'yes'];
        yield 'denied yesterday' => [$denied, $said('no', '2026-03-01'), 'no'];
        yield 'said yes today' => [$denied, $said('yes', '2026-03-02'), 'no'];
    }

    public function test_the_words_of_several_are_those_that_have_words(): void
    {
        $bare = new Takes('insulin', null);
        $detail = new WeeksPregnant(12, true);

        self::assertSame($detail->words(), (new AllOf([$bare, $detail]))->words());
    }

    #[DataProvider('denials')]
    public function test_a_flag_denied_stays_denied_for_so_many_days(string $on, int $days, bool $is): void
    {
        $part = Core::clinic()->rules()->flags->part('numb_face');
        $case = CaseBuilder::aCase()->with(['health' => ['red_flags' => ['numb_face' => 'no'], 'answered_on' => [$part => $on]]]);

        self::assertSame($is, self::intake($case)->deniedWithin('numb_face', $days));
    }

    /** @return iterable<string, array{string, int, bool}> */
    public static function denials(): iterable
    {
        yield 'to the day' => ['2026-02-23', 7, true];
        yield 'a day more' => ['2026-02-22', 7, false];
    }

    #[DataProvider('strains')]
    public function test_a_strain_is_settled_from_the_day_after_it_is_late(int $days, bool $settled): void
    {
        $late = (new \ReflectionProperty(Core::clinic()->rules(), 'subacuteDays'))->getValue(Core::clinic()->rules());
        $since = (new \DateTimeImmutable('2026-03-02'))->modify('-'.($late + $days).' days')->format('Y-m-d');
        $case = CaseBuilder::aCase()->condition('whiplash_injury', ['since' => $since, 'severity' => 'mild']);

        self::assertSame($settled, self::intake($case)->isSettled('whiplash_injury'));
    }

    /** @return iterable<string, array{int, bool}> */
    public static function strains(): iterable
    {
        yield 'on its last sub-acute day' => [0, false];
        yield 'the day after' => [1, true];
    }

    public function test_a_late_stage_with_a_date_of_today_is_not_settled_yet(): void
    {
        $late = (int) (new \ReflectionProperty(Core::clinic()->rules(), 'subacuteDays'))->getValue(Core::clinic()->rules());
        $since = (new \DateTimeImmutable('2026-03-02'))->modify("-$late days")->format('Y-m-d');
        $case = CaseBuilder::aCase()->condition('whiplash_injury', ['since' => $since, 'stage' => 'late', 'severity' => 'mild']);

        self::assertFalse(self::intake($case)->isSettled('whiplash_injury'));
    }

    public function test_what_lies_in_the_middle_lies_on_both_sides(): void
    {
        $intake = self::intake(CaseBuilder::aCase());
        $set = array_key_first(array_filter(
            Core::clinic()->atlas()->zoneSets, static fn (array $zones): bool => in_array('breastbone', $zones, true),
        ));
        self::assertNotNull($set);

        self::assertTrue($intake->isIn(new Place('breastbone', Side::Midline), $set, Side::Left));
        self::assertTrue($intake->isIn(new Place('breastbone', Side::Midline), $set, null));
        self::assertFalse($intake->isIn(new Place('ribs_side', Side::Right), $set, Side::Left));
    }

    public function test_how_movements_end_is_asked_of_a_side_or_of_all(): void
    {
        $intake = self::intake(CaseBuilder::aCase()
            ->range('cervical.rotation', 'left', ['passive' => 50, 'end_feel' => 'hard'])
            ->add(
                'findings', 'tests',
                ['test' => 'segment_spring', 'segment' => 'C3', 'side' => 'right', 'value' => 1, 'end_feel' => 'empty'],
            )
            ->add(
                'findings', 'tests', ['test' => 'segment_spring', 'segment' => 'T3', 'side' => 'left', 'value' => 1, 'end_feel' => 'firm'],
            ));
        $ends = static fn (?Side $side): array => array_column($intake->endsOf('neck', $side), 0);

        self::assertSame(['hard', 'empty'], $ends(null));
        self::assertSame(['hard'], $ends(Side::Left));
        self::assertSame(['empty'], $ends(Side::Right));
        self::assertSame(['firm'], array_column($intake->endsOf('trunk', null), 0));
    }

    public function test_a_condition_that_is_denied_limits_nothing(): void
    {
        $none = array_keys(self::limits(CaseBuilder::aCase()));
        foreach (array_keys(Core::clinic()->rules()->conditions) as $id) {
            $denied = CaseBuilder::aCase()->add('health', 'conditions', ['condition' => $id, 'answer' => 'no', 'severity' => 'severe']);

            self::assertSame($none, array_keys(self::limits($denied)), $id);
        }
    }

    public function test_a_medicine_that_is_not_taken_limits_nothing(): void
    {
        $none = self::screen(CaseBuilder::aCase());
        $denied = self::screen(CaseBuilder::aCase()->add('health', 'medicines', ['medicine' => 'anticoagulant', 'answer' => 'no']));
        $taken = self::screen(CaseBuilder::aCase()->add('health', 'medicines', ['medicine' => 'anticoagulant', 'answer' => 'yes']));

        self::assertCount(count($none->limits->all()), $denied->limits->all());
        self::assertGreaterThan(count($none->limits->all()), count($taken->limits->all()));
    }

    #[DataProvider('raised')]
    public function test_the_cap_of_age_is_raised_as_far_as_was_written_and_no_further(?float $written, float $cap): void
    {
        $case = CaseBuilder::aCase()->aged(80)->with(['overrides' => [[
            'verdict' => 'modify', 'by_licensed' => true, 'reason' => 'Used to firm work.', 'on' => '2026-03-02',
            ...$written === null ? [] : ['pressure_cap' => $written],
        ]]]);
        $limits = self::screen($case)->limits->all();
        $of = static fn (string $rule): array => array_values(array_map(
            static fn ($limit): float => (float) $limit->value,
            array_filter($limits, static fn ($limit): bool => in_array($rule, $limit->rules, true)),
        ));

        self::assertSame([$cap], $of('age.older'));
        self::assertSame([], $of('override'), 'it raises the cap of age, and is none of its own');
    }

    /** @return iterable<string, array{float|null, float}> */
    public static function raised(): iterable
    {
        $rules = Core::clinic()->rules();
        yield 'nothing written' => [null, $rules->olderCap];
        yield 'a step' => [$rules->olderCap + 0.5, $rules->olderCap + 0.5];
        yield 'more than may be' => [$rules->olderCapRaised + 1, $rules->olderCapRaised];
    }

    public function test_a_child_without_a_guardian_comes_again_tomorrow(): void
    {
        self::assertSame(['again_after_days' => 1], self::screen(CaseBuilder::aCase()->aged(12))->toArray()['when']);
    }

    public function test_how_bad_it_is_is_asked_where_only_mild_is_otherwise(): void
    {
        $screened = self::screen(CaseBuilder::aCase()->add('health', 'conditions', ['condition' => 'stoma', 'answer' => 'yes']));

        self::assertContains('condition.stoma.severity', array_map(static fn ($one): string => $one->id, $screened->questions));
    }

    public function test_legs_wait_while_the_open_answers_could_still_make_a_suspicion(): void
    {
        $items = Core::clinic()->rules()->clot->items;
        $from = Core::clinic()->rules()->clot->suspicionFrom;
        // as many left open as would just reach it, all others denied
        $open = [];
        foreach ($items as $id => $item) {
            if ($item['points'] > 0 && array_sum(array_map(static fn (string $one): int => $items[$one]['points'], $open)) < $from) {
                $open[] = $id;
            }
        }
        $answers = array_fill_keys(array_diff(array_keys($items), $open), 'no');
        $screened = self::screen(CaseBuilder::aCase()->with(['health' => ['leg_signs' => 'yes', 'calf_clot_items' => $answers]]));

        self::assertSame($from, $screened->clot?->most);
        self::assertSame(0, $screened->clot->sum);
        self::assertContains('clot_score', array_merge(...array_map(static fn ($limit): array => $limit->rules, $screened->limits->all())));
    }

    public function test_a_flag_named_in_the_file_was_asked_on_its_day_whenever_its_group_was(): void
    {
        $part = Core::clinic()->rules()->flags->part('numb_face');
        $case = CaseBuilder::aCase()->with(['health' => ['red_flags' => ['numb_face' => 'no'], 'groups_asked' => [$part => '2026-02-20']]]);

        self::assertTrue(self::intake($case)->saidToday('numb_face'));
    }

    public function test_only_where_it_is_warm_or_swollen_is_a_place_fresh(): void
    {
        $case = CaseBuilder::aCase()
            ->felt('biceps_femoris', 'left', ['site' => 'belly', 'tone' => 'spasm', 'texture' => ['warm', 'swollen']])
            ->felt('gluteus_maximus', 'left', ['tenderness' => 1, 'texture' => ['taut_band']]);

        self::assertSame(
            ['thigh_back:left'], array_map(static fn (Place $place): string => $place->key(), self::intake($case)->acutePlaces()),
        );
    }

    #[DataProvider('insulins')]
    public function test_the_last_dose_is_asked_of_what_acts_shortly(?string $short, bool $asked): void
    {
        $case = CaseBuilder::aCase()->add('health', 'medicines', [
            'medicine' => 'insulin', 'answer' => 'yes', ...$short === null ? [] : ['short_acting' => $short],
        ]);
        $questions = array_map(static fn ($one): string => $one->id, self::screen($case)->questions);

        self::assertSame($asked, in_array('medicine.insulin.last_dose_hours', $questions, true));
    }

    /** @return iterable<string, array{string|null, bool}> */
    public static function insulins(): iterable
    {
        yield 'nobody said' => [null, true];
        yield 'it does' => ['yes', true];
        yield 'it does not' => ['no', false];
    }

    public function test_a_decision_to_treat_all_the_same_holds_its_own_cap(): void
    {
        $case = CaseBuilder::aCase()->flag('weight_loss_unexplained')->with(['overrides' => [[
            'verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Seen by her doctor.', 'on' => '2026-03-02', 'pressure_cap' => 3,
        ]]]);
        $caps = array_filter(self::screen($case)->limits->all(), static fn ($limit): bool => in_array('override', $limit->rules, true));

        self::assertSame([3.0], array_map(static fn ($limit): float => (float) $limit->value, array_values($caps)));
    }

    public function test_the_calf_is_asked_about_while_nobody_has_said_whether_it_shows_a_sign(): void
    {
        $items = Core::clinic()->rules()->clot->items;
        $answers = array_fill_keys(array_slice(array_keys($items), 0, count($items) - 1), 'no');
        $case = CaseBuilder::aCase()->with([
            'health' => ['others_denied' => false, 'leg_signs' => 'unknown', 'calf_clot_items' => $answers],
        ]);
        $questions = array_map(static fn ($one): string => $one->id, self::screen($case)->questions);

        self::assertContains('clot.'.array_key_last($items), $questions);
    }

    public function test_a_set_up_brings_to_hand_what_the_position_hides(): void
    {
        $case = CaseBuilder::aCase()->agreed('leg_on_therapist')->make();
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), $case);
        $work = static fn (?string $setup): ProposedWork => new ProposedWork(
            [new Place('thigh_back', Side::Left)], 'compressive_hold', 'fingers_reinforced', 'supine', 'none',
            new MuscleAt('biceps_femoris', Side::Left), 'belly', $setup,
        );

        self::assertSame(['reach'], $gate->forbidding($work(null))?->rules);
        self::assertNull($gate->forbidding($work('calf_on_shoulder')));
        $without = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), CaseBuilder::aCase()->make());
        self::assertSame(['consent.leg_on_therapist'], $without->forbidding($work('calf_on_shoulder'))?->rules);
    }

    public function test_places_never_to_press_are_told_in_one_order_whatever_the_order_of_the_zones(): void
    {
        $case = CaseBuilder::aCase()->make();
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), $case);
        $zones = ['low_back', 'flank', 'ribs_side', 'neck_front', 'neck_side', 'armpit'];
        $under = static fn (array $zones): array => array_map(
            static fn ($hazard): string => $hazard->id,
            $gate->hazardsUnder(new ProposedWork(array_map(static fn (string $zone): Place => new Place($zone, Side::Left), $zones))),
        );

        self::assertGreaterThan(4, count($under($zones)));
        self::assertSame($under($zones), $under(array_reverse($zones)));
    }

    public function test_a_set_up_is_left_by_who_should_not_lie_so_and_no_other_is(): void
    {
        $case = CaseBuilder::aCase()->agreed('foot_anchor')->condition(
            'neuropathy', ['severity' => 'mild', 'stage' => 'late', 'zones' => [['zone' => 'calf_upper', 'side' => 'left']]],
        )->make();
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), $case);
        $rules = static fn (?string $setup): ?array => $gate->forbidding(new ProposedWork(
            [new Place('calf_upper', Side::Left)], 'compressive_hold', 'fingers_reinforced', null, 'none',
            new MuscleAt('gastrocnemius', Side::Left), 'belly', $setup,
        ))?->rules;

        self::assertNull($rules(null));
        self::assertSame(['setup.foot_anchored'], $rules('foot_anchored'));
        self::assertNull($rules('knee_bent_foot_flat'));
    }

    public function test_of_several_caps_the_lowest_is_told_first(): void
    {
        $case = CaseBuilder::aCase()->aged(80)->condition('osteoporosis', ['severity' => 'mild', 'stage' => 'late'])->make();
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), $case);
        $caps = array_map(static fn ($limit): float => (float) $limit->value, $gate->caps(
            new ProposedWork([new Place('mid_back', Side::Left)], 'effleurage', 'palm', 'prone'),
        ));
        $sorted = $caps;
        sort($sorted);

        self::assertGreaterThan(1, count(array_unique($caps)));
        self::assertSame($sorted, $caps);
    }

    public function test_work_on_a_site_that_lies_altogether_in_an_area_waits_for_agreement(): void
    {
        $atlas = Core::clinic()->atlas();
        $case = CaseBuilder::aCase()->make();
        $gate = TouchGate::of($atlas, Core::clinic()->screen($case), $case);
        $seen = 0;
        foreach ($atlas->consentAreas as $area) {
            foreach ($atlas->muscles as $muscle) {
                foreach (array_keys($muscle->sites) as $site) {
                    $zones = $muscle->zonesOf($site);
                    if (array_diff($zones, $area->zones) === [] && ! in_array($muscle->id, $area->muscles, true)) {
                        $seen++;
                        $work = new ProposedWork(
                            array_map(static fn (string $zone): Place => new Place($zone, Side::Left), $zones), muscle: new MuscleAt(
                                $muscle->id, Side::Left,
                            ), site: $site,
                        );
                        self::assertNotNull($gate->forbidding($work), "{$muscle->id} $site in {$area->id}");
                    }
                }
            }
        }

        self::assertGreaterThan(0, $seen);
    }

    public function test_a_calf_that_was_measured_larger_is_named(): void
    {
        $case = CaseBuilder::aCase();
        foreach (['left' => 37, 'right' => 35] as $side => $girth) {
            $case->add('findings', 'tests', ['test' => 'calf_girth', 'side' => $side, 'value' => $girth]);
        }
        $case->with(['health' => ['calf_clot_items' => array_fill_keys(array_keys(Core::clinic()->rules()->clot->items), 'no')]]);

        self::assertStringContainsString('the left leg is left alone', implode(' ', array_column(self::screen($case)->because, 'reason')));
    }

    private static function intake(CaseBuilder $case): Intake
    {
        $gate = (fn (): SafetyGate => $this->gate())->call(Core::clinic());

        return $gate->intake($case->make());
    }

    /** @return array<string, true> */
    private static function limits(CaseBuilder $case): array
    {
        return array_fill_keys(array_map(static fn ($limit): string => $limit->key(), self::screen($case)->limits->all()), true);
    }

    private static function screen(CaseBuilder $case): SafetyResult
    {
        return Core::clinic()->screen($case->make());
    }
}
