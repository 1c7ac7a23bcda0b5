<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\HomeCare;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\HomeCare\Advice;
use Somatrace\Core\HomeCare\Possible;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCourses;

/** What is given for home: a table a clinician can read, and what holds of everybody. */
final class HomeCareTest extends TestCase
{
    private const CASE = [
        'format' => 'somatrace.case', 'version' => 1, 'as_of' => '2026-03-20', 'client' => ['age' => 40],
        'health' => ['others_denied' => true],
        'findings' => ['complaints' => [['zone' => 'shoulder_top', 'side' => 'left', 'now' => 5]]],
    ];

    /**
     * @param  array<string, mixed>  $case
     * @param  list<string>  $worked  muscles, on the left
     * @param  list<string>  $before
     * @param  list<string>  $expected
     */
    #[DataProvider('visits')]
    public function test_it_fits_the_muscle_the_stage_and_what_became_of_the_last(
        array $case, array $worked, array $before, array $expected,
    ): void {
        self::assertSame($expected, array_map(
            static fn (Advice $one): string => "{$one->for->muscle}: {$one->care->id}", $this->given(
                [...self::CASE, ...$case], $worked, $before,
            ),
        ));
    }

    /** What is chosen by hand keeps to the limits that what is proposed keeps to, and says what stands against the rest. */
    public function test_of_everybody_what_is_proposed_may_be_chosen_by_hand_and_what_may_not_says_why(): void
    {
        $chosen = $barred = 0;
        foreach (MadeUpCourses::ofEveryRegion(2, 20261129) as [$document]) {
            $case = Core::case($document);
            $every = array_column(array_map(
                static fn (Possible $one): array => [$one->exercise, $one], Core::clinic()->everyHomeCare($case),
            ), 1, 0);
            self::assertSame(array_keys(Core::clinic()->atlas()->handbook()->selfCare), array_keys($every));
            foreach ($every as $one) {
                self::assertSame($one->sides === [], $one->because !== null, $one->exercise);
                $one->sides === [] ? $barred++ : $chosen++;
            }
            $worked = array_map(
                static fn ($candidate): MuscleAt => $candidate->at, array_slice(Core::clinic()->rank($case)->candidates, 0, 6),
            );
            foreach (Core::clinic()->homeCare($case, $worked) as $advice) {
                // a thing that works on several muscles is held to the limits of all of them
                $sides = $every[$advice->care->id]->sides;
                if ($sides !== []) {
                    self::assertContainsOnlyInstancesOf(Side::class, $sides);
                }
            }
        }
        self::assertGreaterThan(100, $chosen);
        self::assertGreaterThan(100, $barred);
    }

    public function test_by_hand_a_condition_bars_by_its_name_and_a_fresh_injury_by_its_place(): void
    {
        $has = [...self::CASE, 'health' => [
            'others_denied' => true, 'conditions' => [['condition' => 'whiplash_injury', 'answer' => 'yes', 'stage' => 'late']],
        ]];
        $of = static fn (array $case, string $id): Possible => array_values(array_filter(
            Core::clinic()->everyHomeCare(Core::case($case)), static fn (Possible $one): bool => $one->exercise === $id,
        ))[0];

        self::assertStringContainsString('whiplash', (string) $of($has, 'head_turn_tuck')->because);
        self::assertNull($of(self::CASE, 'calf_wall_straight')->because);
        self::assertSame([Side::Left, Side::Right], $of(self::CASE, 'calf_wall_straight')->sides);
        $strain = [...self::CASE, 'health' => ['others_denied' => true, 'conditions' => [[
            'condition' => 'muscle_strain', 'answer' => 'yes', 'stage' => 'acute', 'zones' => [['zone' => 'calf_upper', 'side' => 'left']],
        ]]]];
        self::assertSame([Side::Right], $of($strain, 'calf_wall_straight')->sides, 'fresh on the left, free on the right');
    }

    #[TestWith(['acute', []])]
    #[TestWith(['subacute', ['ankle_alphabet: half of it a side. It is healing: more only once it stays quiet the next day.']])]
    #[TestWith(['late', ['calf_wall_straight: 15 s a side, twice. Still healing: more only if it stays quiet the next day.']])]
    #[TestWith(['settled', ['calf_wall_straight: 30 s a side, twice. ']])]
    public function test_what_is_healing_is_given_less_the_fresher_it_is(string $stage, array $expected): void
    {
        $case = [...self::CASE, 'health' => ['others_denied' => true, 'conditions' => [[
            'condition' => 'ligament_sprain', 'answer' => 'yes', 'stage' => $stage, 'zones' => [['zone' => 'calf_upper', 'side' => 'left']],
        ]]]];

        self::assertSame($expected, array_map(
            static fn (Advice $one): string => "{$one->care->id}: $one->dose. $one->stage", $this->given($case, ['gastrocnemius'], []),
        ));
        $byHand = array_column(array_map(
            static fn (Possible $one): array => [$one->exercise, $one], Core::clinic()->everyHomeCare(Core::case($case)),
        ), 1, 0);
        foreach ($expected as $text) {
            $id = explode(':', $text)[0];
            self::assertStringStartsWith("$id: {$byHand[$id]->dose}.", $text, 'by hand as it is proposed');
        }
    }

    public function test_where_nobody_said_where_it_heals_everywhere_and_the_other_side_is_free(): void
    {
        $sprain = static fn (array $zones): array => [...self::CASE, 'health' => ['others_denied' => true, 'conditions' => [
            ['condition' => 'ligament_sprain', 'answer' => 'yes', 'stage' => 'subacute', 'zones' => $zones],
        ]]];
        $kinds = fn (array $case): array => array_map(static fn (Advice $one): string => $one->care->kind, $this->given($case, [
            'gastrocnemius', 'infraspinatus', 'rectus_femoris',
        ], []));

        self::assertNotContains('stretch', $kinds($sprain([])));
        self::assertContains('stretch', $kinds($sprain([['zone' => 'calf_upper', 'side' => 'right']])));
        self::assertContains('stretch', $kinds($sprain([['zone' => 'wrist_front', 'side' => 'left']])));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>, list<string>, list<string>}> */
    public static function visits(): iterable
    {
        $has = static fn (string $condition, array $more = []): array => ['health' => [
            'others_denied' => true, 'conditions' => [['condition' => $condition, 'answer' => 'yes', ...$more]],
        ]];
        $after = static fn (float $done): array => ['history' => [[
            'date' => '2026-03-10', 'aftermath' => [['hours' => 48, 'home_care_done' => $done]],
        ]]];
        yield 'nothing was worked' => [[], [], [], []];
        $checked = ['findings' => [...self::CASE['findings'], 'tests' => [
            ['test' => 'cervical_compression', 'side' => 'midline', 'result' => 'negative'],
            ['test' => 'positional_artery', 'side' => 'left', 'result' => 'negative', 'seconds' => 30],
            ['test' => 'positional_artery', 'side' => 'right', 'result' => 'negative', 'seconds' => 30],
        ]]];
        yield 'one muscle, one thing; the end of the range of a neck nobody has checked is not for home' => [
            [], ['levator_scapulae'], [], ['levator_scapulae: shrug_drop'],
        ];
        yield 'once it was checked, the stretch' => [$checked, ['levator_scapulae'], [], ['levator_scapulae: look_to_armpit']];
        yield 'three at most, of each muscle one and none twice' => [
            $checked, ['levator_scapulae', 'trapezius_upper', 'pectoralis_minor', 'infraspinatus'], [], [
                'levator_scapulae: look_to_armpit', 'trapezius_upper: side_bend_reach', 'pectoralis_minor: doorway_high',
            ],
        ];
        yield 'what was done goes on, and stands first' => [
            [...$checked, ...$after(1)], [
                'levator_scapulae', 'pectoralis_minor',
            ], ['doorway_high'], ['pectoralis_minor: doorway_high', 'levator_scapulae: look_to_armpit'],
        ];
        yield 'what was not done gives way to one thing' => [
            [...$checked, ...$after(0.2)], [
                'levator_scapulae', 'pectoralis_minor',
            ], ['look_to_armpit', 'doorway_high'], ['levator_scapulae: look_to_armpit'],
        ];
        yield 'a root picture bars the stretches of the neck' => [
            [
                ...$checked, ...$has('disc_or_root_signs', ['severity' => 'mild']),
            ], ['levator_scapulae'], [], ['levator_scapulae: shrug_drop'],
        ];
        yield 'fresh, nothing is stretched' => [
            ['findings' => [...self::CASE['findings'], 'palpation' => [
                ['muscle' => 'trapezius_upper', 'side' => 'left', 'tenderness' => 4, 'texture' => ['warm', 'swollen']],
            ]]], ['trapezius_upper'], [], [],
        ];
    }

    public function test_nothing_is_given_where_nobody_is_treated(): void
    {
        $case = [...self::CASE, 'health' => ['others_denied' => true, 'red_flags' => ['night_pain_unrelenting' => 'yes']]];

        self::assertSame([], $this->given($case, ['levator_scapulae'], []));
    }

    #[Group('slow')]
    public function test_of_many_made_up_clients_nothing_given_is_against_a_limit_or_a_condition(): void
    {
        $clinic = Core::clinic();
        $given = 0;
        foreach (MadeUpCourses::ofEveryRegion(6, 20261201) as $name => [$document]) {
            $case = Core::case($document);
            $worked = array_map(static fn ($one): MuscleAt => $one->at(), $case->findings->palpation);
            $advice = $clinic->homeCare($case, $worked);
            $limits = $clinic->screen($case)->limits;
            self::assertLessThanOrEqual(3, count($advice), $name);
            foreach ($advice as $one) {
                $given++;
                self::assertContains($one->for->key(), array_map(static fn (MuscleAt $at): string => $at->key(), $worked), $name);
                foreach ($case->health->conditions as $condition) {
                    self::assertFalse(
                        $condition->answer === Answer::Yes && in_array($condition->condition, $one->care->notWith, true),
                        "$name: {$one->care->id} with {$condition->condition}",
                    );
                }
                $technique = [
                    'stretch' => 'passive_stretch', 'release' => 'compressive_hold', 'strengthen' => 'contract_relax',
                ][$one->care->kind] ?? null;
                $places = array_map(
                    static fn (string $zone) => $clinic->atlas()->placeOn($zone, $one->for->side),
                    $clinic->atlas()->muscle($one->for->muscle)->everyZone(),
                );
                if ($technique !== null) {
                    self::assertSame([], $limits->touching(
                        new ProposedWork($places, $technique, muscle: $one->for), Effect::Avoid, Effect::Exclude, Effect::DoctorFirst,
                    ), "$name: {$one->care->id}");
                }
            }
        }

        self::assertGreaterThan(60, $given, 'most who are treated get something');
    }

    public function test_everything_says_how_much_how_often_and_when_to_stop(): void
    {
        foreach (Core::clinic()->atlas()->handbook()->selfCare as $care) {
            $advice = Core::clinic()->homeCare(Core::case(self::CASE), [new MuscleAt('levator_scapulae', Side::Left)]);
            self::assertNotSame('', $care->dose.$care->howOften, $care->id);
            self::assertNotSame('', $advice[0]->stop);
        }
    }

    /**
     * @param  array<string, mixed>  $case
     * @param  list<string>  $worked
     * @param  list<string>  $before
     * @return list<Advice>
     */
    private function given(array $case, array $worked, array $before): array
    {
        return Core::clinic()->homeCare(
            Core::case($case), array_map(static fn (string $muscle): MuscleAt => new MuscleAt($muscle, Side::Left), $worked), $before,
        );
    }
}
