<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Healing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\CaseFile\SwellingTrend;
use Somatrace\Core\Healing\Tissue;
use Somatrace\Core\Healing\TissueReader;
use Somatrace\Core\Safety\ConditionRule;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

final class TissueReaderTest extends TestCase
{
    /** @param  list<string>  $texture */
    #[DataProvider('signs')]
    public function test_signs_tell_the_stage(array $texture, ?string $tone, float $pain, ?Stage $stage): void
    {
        $case = CaseBuilder::aCase()->felt('gastrocnemius', 'left', array_filter(['texture' => $texture, 'tone' => $tone]))
            ->complaint('calf_upper', 'left', $pain);

        self::assertSame($stage, $this->calf($case)->stage);
    }

    /** @return iterable<string, array{list<string>, string|null, float, Stage|null}> */
    public static function signs(): iterable
    {
        yield 'nothing but a band' => [['taut_band'], null, 3, null];
        yield 'pain alone is no inflammation' => [[], null, 8, null];
        yield 'nor is guarding' => [[], 'spasm', 8, null];
        yield 'heat alone' => [['warm'], null, 2, Stage::Subacute];
        yield 'swelling alone' => [['swollen'], null, 2, Stage::Subacute];
        yield 'swelling and pain' => [['swollen'], null, 7, Stage::Subacute];
        yield 'heat and swelling' => [['warm', 'swollen'], null, 2, Stage::Acute];
        yield 'heat and pain at rest' => [['warm'], null, 5, Stage::Acute];
        yield 'heat and guarding' => [['warm'], 'spasm', 2, Stage::Acute];
    }

    public function test_signs_elsewhere_and_on_the_other_side_do_not_count(): void
    {
        $case = CaseBuilder::aCase()->felt('gastrocnemius', 'right', ['texture' => ['warm', 'swollen']])->felt(
            'deltoid_middle', 'left', ['texture' => ['warm']],
        )
            ->add('findings', 'tests', ['test' => 'swelling', 'side' => 'right', 'value' => 3]);

        self::assertEquals(new Tissue, $this->calf($case));
    }

    public function test_without_a_place_they_are_looked_for_everywhere(): void
    {
        $case = CaseBuilder::aCase()->felt('deltoid_middle', 'right', ['texture' => ['warm', 'swollen']])->make();

        self::assertSame(Stage::Acute, $this->reader()->read($case, null, null)->stage);
    }

    public function test_a_guarded_end_of_movement_felt_there_counts(): void
    {
        $case = CaseBuilder::aCase()->felt('gastrocnemius', 'left', ['texture' => ['warm']])
            ->range(
                'ankle.dorsiflexion_knee_straight', 'left',
                ['active' => 5, 'end_feel' => 'guarded', 'felt_in' => [['zone' => 'calf_upper', 'side' => 'left']]],
            );

        self::assertSame(['warm to the hand', 'guarded'], $this->calf($case)->signs);
    }

    /** @param  list<float|null>  $grades  eight days apart, today last */
    #[DataProvider('courses')]
    public function test_visits_tell_the_trend(array $grades, ?SwellingTrend $trend, ?int $days): void
    {
        $case = CaseBuilder::aCase();
        foreach ($grades as $index => $grade) {
            $today = $index === count($grades) - 1;
            $test = ['test' => 'swelling', 'side' => 'left', 'value' => $grade];
            $date = (new \DateTimeImmutable('2026-03-02'))->modify('-'.(8 * (count($grades) - 1 - $index)).' days')->format('Y-m-d');
            match (true) {
                $today && $grade !== null => $case->add('findings', 'tests', $test),
                $today => null,
                default => $case->visited($date, $grade === null ? [] : ['findings' => ['tests' => [$test]]]),
            };
        }
        $tissue = $this->calf($case);

        self::assertSame([$trend, $days], [$tissue->swelling, $tissue->swollenDays]);
    }

    /** @return iterable<string, array{list<float|null>, SwellingTrend|null, int|null}> */
    public static function courses(): iterable
    {
        yield 'never looked' => [[null, null], null, null];
        yield 'first look' => [[2], null, 0];
        yield 'up' => [[1, 2], SwellingTrend::Rising, 8];
        yield 'new' => [[0, 1], SwellingTrend::Rising, 0];
        yield 'the same' => [[2, 2, 2], SwellingTrend::Same, 16];
        yield 'down' => [[3, 2], SwellingTrend::Falling, 8];
        yield 'gone' => [[2, 0], SwellingTrend::Gone, null];
        yield 'never there' => [[0, 0], null, null];
        yield 'down and up again' => [[3, 1, 2], SwellingTrend::Rising, 16];
        yield 'a visit without a look' => [[2, null, 2], SwellingTrend::Same, 16];
        yield 'not looked at today' => [[2, 2, null], null, null];
        yield 'gone between' => [[2, 0, 1], SwellingTrend::Rising, 0];
    }

    public function test_a_tape_tells_it_against_the_other_leg(): void
    {
        $girth = static fn (float $left): array => [
            ['test' => 'calf_girth', 'side' => 'left', 'value' => $left], ['test' => 'calf_girth', 'side' => 'right', 'value' => 36],
        ];
        $case = CaseBuilder::aCase()->visited('2026-02-20', ['findings' => ['tests' => $girth(38.5)]]);
        foreach ($girth(40) as $test) {
            $case->add('findings', 'tests', $test);
        }

        self::assertSame(
            [SwellingTrend::Rising, Stage::Acute, 10],
            [$this->calf($case)->swelling, $this->calf($case)->stage, $this->calf($case)->swollenDays],
        );
        // a thicker leg that nobody complains of may be the stronger one
        self::assertEquals(new Tissue, $this->reader()->read($case->make(), null, null));
    }

    public function test_of_what_was_said_and_what_was_measured_the_more_careful_counts(): void
    {
        $case = CaseBuilder::aCase()->visited(
            '2026-02-20', ['findings' => ['tests' => [['test' => 'swelling', 'side' => 'left', 'value' => 3]]]],
        )
            ->add('findings', 'tests', ['test' => 'swelling', 'side' => 'left', 'value' => 1]);

        self::assertSame(SwellingTrend::Rising, $this->calf($case, SwellingTrend::Rising)->swelling);
        self::assertSame(SwellingTrend::Falling, $this->calf($case, SwellingTrend::Gone)->swelling);
    }

    public function test_swelling_that_stays_reaches_the_course(): void
    {
        $swollen = ['tests' => [['test' => 'swelling', 'side' => 'left', 'value' => 2]]];
        $case = CaseBuilder::aCase()->condition(
            'ligament_sprain', ['severity' => 'mild', 'zones' => [['zone' => 'ankle_outer', 'side' => 'left']]],
        )
            ->visited('2026-02-12', ['findings' => $swollen])->add('findings', 'tests', $swollen['tests'][0])->make();

        $course = Core::clinic()->respond($case)->toArray()['course'];
        self::assertSame('refer', $course['decision']);
        self::assertStringContainsString('18 days', $course['because']);
    }

    public function test_every_condition_with_signs_says_where_they_are_looked_for(): void
    {
        $at = array_filter(array_map(static fn (ConditionRule $rule): ?string => $rule->signsAt, Core::clinic()->rules()->conditions));

        self::assertNotSame([], $at);
        self::assertSame([], array_diff($at, ['zones', ...array_keys(Core::clinic()->atlas()->zoneSets)]));
    }

    private function calf(CaseBuilder $case, ?SwellingTrend $said = null): Tissue
    {
        return $this->reader()->read($case->make(), [new Place('calf_upper', Side::Left)], $said);
    }

    private function reader(): TissueReader
    {
        return new TissueReader(Core::clinic()->atlas(), Core::clinic()->rules()->tissue);
    }
}
