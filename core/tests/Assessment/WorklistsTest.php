<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Assessment;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\Assessment\ListedMeasure;
use Somatrace\Core\Assessment\ListedMuscle;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class WorklistsTest extends TestCase
{
    private const NECK_SIGNS = [
        'dizzy_with_neck_movement', 'double_vision_or_drop_attack', 'swallowing_trouble', 'numb_face', 'unsteady_walk',
        'face_droop_or_slurred_speech', 'sudden_unlike_any_neck_pain_or_drooping_lid', 'visual_change_with_headache',
        'sudden_worst_headache', 'recent_fall_or_crash_unexamined',
    ];

    public function test_a_quick_list_has_six_measures_and_six_muscles_a_region_and_the_full_one_all_its_muscles(): void
    {
        $atlas = Core::clinic()->atlas();
        foreach ($atlas->regions as $region) { // a whole is listed, its parts once they were told apart
            $case = CaseBuilder::aCase()->make();
            $quick = Core::clinic()->worklist($case, [$region->id]);
            $full = Core::clinic()->worklist($case, [$region->id], true);

            self::assertLessThanOrEqual(6, count($quick->measures), $region->id);
            self::assertLessThanOrEqual(6, count($quick->muscles), $region->id);
            self::assertGreaterThan(count($quick->measures), count($full->measures), $region->id);
            $listed = array_map(static fn (ListedMuscle $one): string => $one->id, $full->muscles);
            foreach ($atlas->muscles as $muscle) {
                if (array_intersect($muscle->zones, $region->zones) !== []) {
                    self::assertSame($muscle->partOf === null, in_array($muscle->id, $listed, true), "$region->id $muscle->id");
                }
            }
        }
    }

    /** @param  list<string>  $asked */
    #[DataProvider('places')]
    public function test_a_place_that_hurts_asks_for_its_own_checks_on_the_short_list_too(string $zone, array $asked): void
    {
        $case = CaseBuilder::aCase()->complaint($zone, 'left', 5)->make();
        $ids = static fn (bool $full): array => array_map(
            static fn (ListedMeasure $one): string => "$one->kind $one->id", Core::clinic()->worklist($case, full: $full)->measures,
        );

        self::assertSame([], array_diff($asked, $ids(false)), 'short');
        self::assertSame([], array_diff($asked, $ids(true)), 'full');
        self::assertLessThanOrEqual(6 + count($asked), count($ids(false)));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function places(): iterable
    {
        yield 'outside of the hip' => ['hip_outer', ['resisted hip.abduction', 'test one_leg_stance']];
        yield 'groin' => ['groin', ['test hip_fold_in', 'test figure_four']];
        yield 'front of the neck' => ['neck_front', ['test deep_neck_flexor_hold']];
        yield 'outer elbow' => ['elbow_outer', ['test wrist_lift_straight']];
        yield 'thumb' => ['thumb', ['test thumb_in_fist']];
        yield 'heel tendon' => ['achilles', ['test heel_raise', 'test calf_squeeze']];
    }

    public function test_what_tells_a_nerve_root_comes_first_where_it_tingles(): void
    {
        $ids = static fn (string $quality): array => array_map(
            static fn (ListedMeasure $one): string => ($one->nerve ? '!' : '')."{$one->position} {$one->id}",
            Core::clinic()->worklist(
                CaseBuilder::aCase()->with([
                    'findings' => ['complaints' => [['zone' => 'calf_upper', 'side' => 'left', 'now' => 3, 'qualities' => [$quality]]]],
                ])->make(),
            )->measures,
        );

        self::assertSame([], array_filter($ids('ache'), static fn (string $one): bool => str_starts_with($one, '!')));
        $nerve = array_values(array_filter($ids('tingling'), static fn (string $one): bool => str_starts_with($one, '!')));
        self::assertSame(
            ['!seated slump', '!seated reflex', '!seated constant_numbness', '!supine straight_leg_raise_nerve', '!supine hip.flexion'],
            array_slice($nerve, 0, 5),
        );
        self::assertSame($ids('ache'), array_values(array_diff($ids('tingling'), $nerve)), 'the list of the region stays as it is');
        foreach (['supine', 'prone', 'seated'] as $position) {
            $here = array_values(array_filter(
                $ids('numb'), static fn (string $one): bool => str_starts_with(ltrim($one, '!'), "$position "),
            ));
            $firstOther = array_search(false, array_map(static fn (string $one): bool => str_starts_with($one, '!'), $here), true);
            self::assertSame(
                [],
                $firstOther === false
                    ? []
                    : array_filter(array_slice($here, (int) $firstOther), static fn (string $one): bool => str_starts_with($one, '!')),
                $position,
            );
        }
    }

    /** A check that stands on no list is found by nobody. */
    public function test_every_movement_and_every_test_stands_on_the_list_of_a_region(): void
    {
        $atlas = Core::clinic()->atlas();
        $listed = [];
        foreach ($atlas->regions as $region) {
            array_push($listed, ...array_column([...$region->quick, ...$region->more, ...$region->nerve], 1));
        }

        self::assertSame([], array_values(array_diff([...array_keys($atlas->movements), ...array_keys($atlas->tests)], $listed)));
    }

    public function test_the_regions_are_those_that_hurt_the_worst_first(): void
    {
        $case = CaseBuilder::aCase()
            ->complaint('low_back', 'left', 3)
            ->complaint('neck_side', 'right', 7)
            ->complaint('neck_back', 'right', 2);

        self::assertSame(['neck', 'low_back'], Core::clinic()->worklist($case->make())->regions);
        self::assertSame([], Core::clinic()->worklist(CaseBuilder::aCase()->make())->measures);
        self::assertSame(
            ['knee'],
            Core::clinic()->worklist(
                CaseBuilder::aCase()->visited(
                    '2026-02-20', ['findings' => ['complaints' => [['zone' => 'knee_front', 'side' => 'left', 'now' => 5]]]],
                )->make(),
            )->regions,
        );
    }

    #[DataProvider('starts')]
    public function test_the_client_gets_into_each_position_once_beginning_where_they_are(?string $now, string $first): void
    {
        $list = Core::clinic()->worklist(CaseBuilder::aCase()->make(), ['neck', 'low_back', 'arm_hand'], true, $now);

        foreach ([$this->positions($list->measures), $this->positions($list->muscles)] as $positions) {
            self::assertSame(array_values(array_unique($positions)), $this->runs($positions), 'each position is one run');
        }
        self::assertSame($first, $list->measures[0]->position);
    }

    /** @return iterable<string, array{string|null, string}> */
    public static function starts(): iterable
    {
        yield 'coming in' => [null, 'standing'];
        yield 'sitting' => ['seated', 'seated'];
        yield 'face-up' => ['supine', 'supine'];
        yield 'face-down' => ['prone', 'prone'];
    }

    public function test_hands_go_on_where_the_measuring_ended(): void
    {
        $list = Core::clinic()->worklist(CaseBuilder::aCase()->make(), ['hip']);

        self::assertSame($list->measures[count($list->measures) - 1]->position, $list->muscles[0]->position);
    }

    public function test_what_was_measured_last_time_comes_first_in_its_position_and_stays_on_the_short_list(): void
    {
        $case = CaseBuilder::aCase()->complaint('neck_side', 'left')->visited('2026-02-20', ['findings' => [
            'range' => [['movement' => 'cervical.extension', 'side' => 'midline', 'active' => 40]],
            'resisted' => [['movement' => 'cervical.rotation', 'side' => 'left', 'pain' => 3]],
            'palpation' => [['muscle' => 'longus_colli', 'side' => 'left', 'tenderness' => 2]],
        ]])->make();
        $list = Core::clinic()->worklist($case);
        $seated = array_values(array_filter($list->measures, static fn (ListedMeasure $one): bool => $one->position === 'seated'));

        self::assertSame(['cervical.extension', 'cervical.rotation'], [$seated[0]->id, $seated[1]->id]);
        self::assertSame(['range', 'resisted'], [$seated[0]->kind, $seated[1]->kind]);
        self::assertTrue($seated[0]->last && $seated[1]->last && ! $seated[2]->last);
        self::assertContains('longus_colli', array_map(static fn (ListedMuscle $one): string => $one->id, $list->muscles));
    }

    public function test_a_position_that_is_not_possible_is_said(): void
    {
        $list = Core::clinic()->worklist(
            CaseBuilder::aCase()->with(['session' => ['positions_possible' => ['seated', 'supine']]])->make(), ['shoulder'], true,
        );

        foreach ($list->measures as $measure) {
            self::assertSame(
                $measure->position === 'prone' ? 'Not today: face-down is not possible.' : null, $measure->refused?->words, $measure->id,
            );
        }
        foreach ($list->muscles as $muscle) {
            $own = array_map(
                static fn (string $position): string => explode('_', $position)[0], Core::clinic()->atlas()->muscle($muscle->id)->positions,
            );
            if (array_intersect($own, ['seated', 'supine']) !== []) {
                self::assertContains($muscle->position, ['seated', 'supine'], $muscle->id);
            }
        }
    }

    public function test_an_answer_grown_old_is_asked_again_and_a_settled_neck_may_be_checked(): void
    {
        $signs = static fn (): CaseBuilder => array_reduce(
            self::NECK_SIGNS, static fn (CaseBuilder $case, string $flag): CaseBuilder => $case->flag($flag, 'no'), CaseBuilder::aCase(),
        );
        $injury = static fn (array $details): CaseBuilder => $signs()->condition('whiplash_injury', $details);

        self::assertStringStartsWith(
            'Ask first:',
            (string) $this->refused(
                $signs()->with(['health' => ['answered_on' => ['red_flags_other' => '2026-01-20']]]), 'positional_artery',
            ),
        );
        self::assertNull($this->refused(
            $injury(['stage' => 'late', 'since' => '2025-11-01', 'swelling_trend' => 'gone']), 'positional_artery',
        ));
        self::assertStringStartsWith(
            'Not done:', (string) $this->refused($injury(['since' => '2026-02-10']), 'positional_artery'), 'fresh',
        );
        self::assertStringStartsWith(
            'Not done:',
            (string) $this->refused(
                $injury(['stage' => 'late', 'since' => '2025-11-01', 'swelling_trend' => 'falling']), 'positional_artery',
            ),
            'a sign is left',
        );
    }

    public function test_the_positional_check_asks_first_and_is_never_done_after_a_yes_or_an_unknown(): void
    {
        $denied = CaseBuilder::aCase();
        foreach (self::NECK_SIGNS as $flag) {
            $denied->flag($flag, 'no');
        }
        self::assertNull($this->refused($denied, 'positional_artery'));
        self::assertStringStartsWith(
            'Ask first:', (string) $this->refused(CaseBuilder::aCase()->nothingAsked(), 'positional_artery'),
            'what nobody asked is unknown',
        );
        foreach (self::NECK_SIGNS as $flag) {
            $one = CaseBuilder::aCase();
            foreach (self::NECK_SIGNS as $other) {
                $one->flag($other, $other === $flag ? 'yes' : 'no');
            }
            self::assertStringStartsWith('Not done:', (string) $this->refused($one, 'positional_artery'), $flag);
        }
        foreach (['rheumatoid_arthritis', 'osteoporosis', 'whiplash_injury'] as $condition) {
            $one = CaseBuilder::aCase()->condition($condition, ['severity' => 'mild']);
            foreach (self::NECK_SIGNS as $flag) {
                $one->flag($flag, 'no');
            }
            self::assertStringStartsWith('Not done:', (string) $this->refused($one, 'positional_artery'), $condition);
        }
        $open = CaseBuilder::aCase()->nothingAsked();
        foreach (self::NECK_SIGNS as $flag) {
            $open->flag($flag, 'no');
        }
        self::assertStringStartsWith(
            'Ask first:', (string) $this->refused($open, 'positional_artery'), 'conditions nobody asked about are unknown',
        );
    }

    public function test_a_region_nobody_knows_is_refused(): void
    {
        $this->expectException(UnknownId::class);
        Core::clinic()->worklist(CaseBuilder::aCase()->make(), ['tail']);
    }

    private function refused(CaseBuilder $case, string $test): ?string
    {
        $list = Core::clinic()->worklist($case->complaint('neck_side', 'left')->make(), ['neck'], true);

        return array_values(array_filter($list->measures, static fn (ListedMeasure $one): bool => $one->id === $test))[0]->refused?->words;
    }

    /**
     * @param  list<ListedMeasure>|list<ListedMuscle>  $listed
     * @return list<string>
     */
    private function positions(array $listed): array
    {
        return array_map(static fn (ListedMeasure|ListedMuscle $one): string => $one->position, $listed);
    }

    /**
     * @param  list<string>  $positions
     * @return list<string> each run once
     */
    private function runs(array $positions): array
    {
        $runs = [];
        foreach ($positions as $index => $position) {
            if ($index === 0 || $positions[$index - 1] !== $position) {
                $runs[] = $position;
            }
        }

        return $runs;
    }
}
