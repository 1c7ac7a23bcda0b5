<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Handwork;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CalibrationPair;
use Somatrace\Core\CaseFile\Therapist;
use Somatrace\Core\Handwork\OwnTools;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Units\TissuePressure;

/** Force and lean of one's own hands, reckoned by hand. The plate: a threshold of 300 kPa feels like 7.5, so a point is 40 kPa. */
final class OwnToolsTest extends TestCase
{
    /**
     * An elbow carries on 4 cm²: a point is 40 kPa · 4 cm² / 10 = 16 N, three 48 N, five 80 N, seven 112 N.
     *
     * @param  list<array{float, float}>  $made  aimed, newtons
     */
    #[TestWith([[], 80.0], 'never on the plate')]
    #[TestWith([[[3, 48], [5, 80], [7, 112]], 80.0], 'as is usual')]
    #[TestWith([[[3, 60], [5, 100], [7, 140]], 100.0], 'a quarter more: 5 cm²')]
    #[TestWith([[[3, 36], [5, 60], [7, 84]], 60.0], 'a quarter less: 3 cm²')]
    #[TestWith([[[5, 100]], 80.0], 'one aim tells nothing')]
    #[TestWith([[[5, 100], [5, 96]], 80.0], 'nor one aimed at twice')]
    #[TestWith([[[0, 30], [5, 100]], 80.0], 'nor what was aimed at nothing')]
    #[TestWith([[[3, 48], [7, 140]], 96.8966], 'the line through zero: (3·48 + 7·140) / (9 + 49) = 19.38 N a point, 5 of them at 200 kPa')]
    #[TestWith([[[1, 20], [5, 100]], 100.0], 'a light aim counts too')]
    #[TestWith([[[3, 300], [5, 500]], 160.0], 'no more than double is believed')]
    #[TestWith([[[3, 3], [5, 5]], 40.0], 'no less than half')]
    public function test_force_of_an_elbow_at_five_on_even_tissue(array $made, float $newtons): void
    {
        $pairs = array_map(static fn (array $one): CalibrationPair => new CalibrationPair('elbow', ...$one), $made);
        $elbow = self::tools($pairs)->of('elbow');

        self::assertEqualsWithDelta($newtons, $elbow->force(TissuePressure::ofKPa(200))->newtons, 0.001);
    }

    /** What is aimed at on the plate: three strengths, fewer where a tool is not meant for more. */
    #[TestWith(['elbow', [3, 5, 7]])]
    #[TestWith(['fingers_reinforced', [3, 5, 7]], 'as far as seven, and no farther')]
    #[TestWith(['palm', [3, 5]], 'as far as six')]
    #[TestWith(['fingertip', [2, 4]], 'as far as four')]
    public function test_no_tool_is_aimed_farther_than_it_goes(string $tool, array $aims): void
    {
        self::assertSame($aims, self::figures()->plate->aims(Core::clinic()->atlas()->tool($tool)));
    }

    public function test_what_goes_as_far_as_five_is_aimed_at_five(): void
    {
        self::assertSame([3, 5], self::figures()->plate->aims(Core::clinic()->atlas()->tool('scraping_tool')));
    }

    public function test_lean_is_of_ones_own_weight(): void
    {
        $force = self::tools([new CalibrationPair('elbow', 3, 60), new CalibrationPair('elbow', 5, 100)])->of('elbow')
            ->force(TissuePressure::ofKPa(200));

        self::assertEqualsWithDelta(100 / (60 * 9.81) * 100, $force->leanPercent(60), 1e-9); // 100 N of 588.6 N: 17 %
        self::assertEqualsWithDelta(17.0, $force->leanPercent(60), 0.02);
    }

    public function test_one_tool_says_nothing_of_another(): void
    {
        $own = self::tools([new CalibrationPair('elbow', 3, 60), new CalibrationPair('elbow', 5, 100)]);

        self::assertTrue($own->isMeasured('elbow'));
        self::assertFalse($own->isMeasured('forearm'));
        self::assertSame(Core::clinic()->atlas()->tool('forearm'), $own->of('forearm'));
        self::assertSame(['elbow', 1.5], [$own->of('elbow')->id, $own->of('elbow')->strain]);
    }

    /** A cup lifts: on the plate it makes nothing, and nothing is read from it. */
    public function test_what_does_not_press_is_not_measured(): void
    {
        $own = self::tools([new CalibrationPair('cup', 3, 60), new CalibrationPair('cup', 5, 100)]);

        self::assertFalse($own->isMeasured('cup'));
        self::assertSame(0.0, $own->of('cup')->force(TissuePressure::ofKPa(200))->newtons);
    }

    public function test_a_plan_leans_as_these_hands_do_and_no_stronger(): void
    {
        $usual = self::plan(['mass_kg' => 70]);
        $tool = self::firm($usual)['tool'];
        $plate = self::figures()->plate;
        $heavier = array_map(
            static fn (int $aimed): array => [
                'tool' => $tool, 'aimed' => $aimed,
                'force_n' => 1.25 * $plate->expected(Core::clinic()->atlas()->tool($tool), $aimed)->newtons,
            ],
            [3, 5, 7],
        );
        $now = self::plan(['mass_kg' => 70, 'calibration' => $heavier]);
        [$before, $after] = [self::firm($usual), self::firm($now)];

        self::assertSame([$tool], $now['measured']);
        self::assertSame([], $usual['measured']);
        self::assertSame([$before['muscle'], $before['tool']], [$after['muscle'], $after['tool']]);
        $with = array_column(array_filter($before['manoeuvres'], static fn (array $one): bool => $one['pressure'] !== null), 'tool');
        self::assertCount(count($with), $before['passes']);
        self::assertContains($tool, $with);
        foreach ($before['passes'] as $k => $pass) {
            $more = $with[$k] === $tool ? 1.25 : 1;
            $own = $after['passes'][$k];
            self::assertSame([$pass['pressure'], $pass['tissue_kpa']], [$own['pressure'], $own['tissue_kpa']]);
            self::assertEqualsWithDelta($more * $pass['force_n'], $own['force_n'], 0.1);
            self::assertEqualsWithDelta($more * $pass['lean_percent'], $own['lean_percent'], 0.1);
        }
    }

    /** @return iterable<string, array{array<string, float>, float|null, array{cm: float, lower: bool}|null}> */
    public static function heights(): iterable
    {
        yield 'nobody said how high it stands' => [['elbow' => 20], null, null];
        yield 'fingers: as usual' => [['fingers_reinforced' => 12, 'thumb' => 3], 72, ['cm' => 72.0, 'lower' => false]];
        yield 'mostly leant from above' => [
            ['elbow' => 10, 'forearm' => 6, 'fingers_reinforced' => 12], 72, ['cm' => 64.0, 'lower' => true],
        ];
        yield 'half of it' => [['fist' => 6, 'thumb' => 6], 70, ['cm' => 62.0, 'lower' => true]];
        yield 'less than half' => [['fist' => 5, 'thumb' => 6], 70, ['cm' => 70.0, 'lower' => false]];
        yield 'a little, and all of it leant' => [['elbow' => 0.5], 70, ['cm' => 62.0, 'lower' => true]];
        yield 'nothing firm' => [[], 70, ['cm' => 70.0, 'lower' => false]];
    }

    /**
     * @param  array<string, float>  $load
     * @param  array{cm: float, lower: bool}|null  $height
     */
    #[DataProvider('heights')]
    public function test_the_table_stands_lower_where_weight_comes_from_above(array $load, ?float $usual, ?array $height): void
    {
        self::assertSame($height, self::figures()->table->of($load, $usual));
    }

    private static function figures(): PlanFigures
    {
        return PlanFigures::load(dirname(__DIR__, 2).'/data');
    }

    /** @param  list<CalibrationPair>  $made */
    private static function tools(array $made): OwnTools
    {
        return new OwnTools(
            Core::clinic()->atlas(), self::figures()->plate, new Therapist(calibration: $made),
        );
    }

    /**
     * @param  array<string, mixed>  $therapist
     * @return array<string, mixed>
     */
    private static function plan(array $therapist): array
    {
        $case = CaseBuilder::aCase()->with(['therapist' => $therapist])->complaint('neck_back', 'left', 6)
            ->felt('levator_scapulae', 'left', ['tenderness' => 3, 'familiar' => 'yes']);

        return Core::clinic()->plan($case->make())->toArray();
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed> the first step that treats
     */
    private static function firm(array $plan): array
    {
        return array_values(array_filter($plan['steps'], static fn (array $step): bool => $step['kind'] === 'treat'))[0];
    }
}
