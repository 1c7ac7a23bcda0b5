<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Training;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Data\SchemaValidator;
use Somatrace\Core\Simulation\DeviceReading;
use Somatrace\Core\Simulation\SimulatedPlate;
use Somatrace\Core\Training\PlateHold;

/** Ten seconds on the plate, read by hand. */
final class PlateHoldTest extends TestCase
{
    public function test_the_rise_does_not_count_and_the_rest_is_the_mean(): void
    {
        $hold = PlateHold::of(self::made(static fn (int $at): float => $at < 2000 ? $at / 25 : 80.0), 80.0);

        self::assertNotNull($hold);
        self::assertSame([80.0, 0.0, 0.0], [$hold->forceN, $hold->errorPercent, $hold->swayPercent]);
        self::assertSame('Near, and even.', $hold->words());
    }

    public function test_error_is_against_what_stands_for_the_feeling_and_sway_against_what_was_made(): void
    {
        // 90 and 110 in turn: mean 100, a quarter more than 80; the spread of so many is 10.06, ten per cent of the mean
        $hold = PlateHold::of(self::made(static fn (int $at): float => $at < 2000 ? 0.0 : ($at % 200 === 0 ? 90.0 : 110.0)), 80.0);

        self::assertNotNull($hold);
        self::assertEqualsWithDelta([100.0, 25.0, 10.06], [$hold->forceN, $hold->errorPercent, $hold->swayPercent], 0.2);
        self::assertFalse($hold->isNear());
        self::assertFalse($hold->isEven());
    }

    /** @return iterable<string, array{float, float, string}> */
    public static function said(): iterable
    {
        yield 'just near' => [92, 0, 'Near, and even.'];
        yield 'just not' => [92.9, 0, '16 % more than stands for it, and even: these hands are so.'];
        yield 'less' => [60, 0, '25 % less than stands for it, and even: these hands are so.'];
        yield 'near and swaying' => [80, 10, 'Near, but it swayed: joints over each other, weight instead of muscle, breathe on.'];
        yield 'far and swaying' => [120, 20, '50 % more than stands for it, and it swayed: lean, do not push, and stay.'];
    }

    #[DataProvider('said')]
    public function test_what_it_says_of_80_newtons(float $mean, float $sway, string $words): void
    {
        $made = self::made(static fn (int $at): float => $mean + ($at % 200 === 0 ? $sway : -$sway));

        self::assertSame($words, PlateHold::of($made, 80)?->words());
    }

    /** The first reading that counts is that of the second second, the last that of the tenth. */
    public function test_from_the_second_second_to_the_tenth(): void
    {
        $of = static fn (callable $force): ?float => PlateHold::of(self::made($force), 80)?->forceN;

        self::assertEqualsWithDelta(80 + 80 / 81, $of(static fn (int $at): float => $at === 2000 ? 160.0 : 80.0), 1e-9);
        self::assertEqualsWithDelta(80 + 80 / 81, $of(static fn (int $at): float => $at === 10_000 ? 160.0 : 80.0), 1e-9);
        self::assertSame(80.0, $of(static fn (int $at): float => $at === 1900 ? 160.0 : 80.0));
        $longer = [...self::made(static fn (): float => 80.0), [10_100, 900.0]];
        self::assertSame(80.0, PlateHold::of($longer, 80)?->forceN, 'what comes after ten seconds is another hold');
    }

    public function test_how_near_and_how_even_is_well_done(): void
    {
        $of = static fn (float $mean, float $sway): PlateHold => PlateHold::of(
            self::made(static fn (int $at): float => $mean + ($at % 200 === 0 ? $sway : -$sway)), 100,
        ) ?? throw new \LogicException('it was held');

        self::assertTrue($of(115, 0)->isNear());
        self::assertFalse($of(115.5, 0)->isNear());
        self::assertFalse($of(84.5, 0)->isNear());
        self::assertTrue($of(100, 7.8)->isEven());
        self::assertFalse($of(100, 8.3)->isEven());
    }

    public function test_ten_readings_after_the_rise_are_enough_and_nine_are_not(): void
    {
        $few = static fn (int $count): array => array_map(
            static fn (int $k): array => [2000 + (int) round(8000 * $k / ($count - 1)), 80.0], range(0, $count - 1),
        );

        self::assertNotNull(PlateHold::of($few(10), 80));
        self::assertNull(PlateHold::of($few(9), 80));
    }

    public function test_what_was_let_go_of_tells_nothing(): void
    {
        $steady = self::made(static fn (): float => 80.0);

        self::assertNotNull(PlateHold::of($steady, 80));
        self::assertNotNull(PlateHold::of(array_slice($steady, 0, 91), 80), 'until 9.0 s');
        self::assertNull(PlateHold::of(array_slice($steady, 0, 90), 80), 'until 8.9 s');
        self::assertNull(PlateHold::of([], 80));
        self::assertNull(PlateHold::of([[0, 80], [3000, 80], [10_000, 80]], 80), 'three readings');
        self::assertNull(PlateHold::of(self::made(static fn (): float => 0.4), 80), 'hardly touched');
        self::assertNull(PlateHold::of($steady, 0), 'nothing was aimed at');
    }

    public function test_a_simulated_hold_is_ten_seconds_that_can_be_judged_and_the_same_hands_lean_the_same_way(): void
    {
        $plate = new SimulatedPlate();
        $errors = [];
        for ($repeat = 1; $repeat <= 12; $repeat++) {
            $readings = $plate->readings('elbow', 80, 7, $repeat);
            $hold = PlateHold::of(array_map(static fn (DeviceReading $one): array => [$one->at, $one->value], $readings), 80);
            self::assertNotNull($hold);
            $errors[] = $hold->errorPercent;
        }
        $mean = array_sum($errors) / 12;

        self::assertEquals($plate->readings('elbow', 80, 7, 3), $plate->readings('elbow', 80, 7, 3));
        self::assertNotEquals($plate->readings('elbow', 80, 7, 3), $plate->readings('elbow', 80, 8, 3));
        foreach ($errors as $error) {
            self::assertEqualsWithDelta($mean, $error, 25, 'a hand strays by a few per cent, not from light to heavy');
        }
        $schema = new SchemaValidator(dirname(__DIR__, 2).'/data/schema/device-reading.schema.json');
        foreach ($plate->readings('elbow', 80, 7, 1) as $one) {
            self::assertSame([], $schema->faults(json_decode(json_encode($one->toArray(), JSON_THROW_ON_ERROR))));
        }
    }

    /**
     * @param  callable(int): float  $force  at that millisecond
     * @return list<array{int, float}> one a tenth of a second
     */
    private static function made(callable $force): array
    {
        return array_map(static fn (int $at): array => [$at, $force($at)], range(0, PlateHold::LASTS, 100));
    }
}
