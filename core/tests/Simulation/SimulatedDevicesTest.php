<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Simulation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\Data\SchemaValidator;
use Somatrace\Core\Simulation\DeviceReading;
use Somatrace\Core\Simulation\SimulatedDevices;
use Somatrace\Core\Tests\Support\Core;

final class SimulatedDevicesTest extends TestCase
{
    #[DataProvider('devices')]
    public function test_each_line_fits_the_protocol_rises_in_time_and_ends_in_one_hold(string $device, string $what, string $unit): void
    {
        $schema = new SchemaValidator(dirname(__DIR__, 2).'/data/schema/device-reading.schema.json');
        $readings = SimulatedDevices::of(Core::clinic())->readings($device, $what, Side::Left, 7, 1);
        $at = -1;
        foreach ($readings as $index => $reading) {
            self::assertSame([], $schema->faults(json_decode(json_encode($reading->toArray(), JSON_THROW_ON_ERROR))));
            self::assertGreaterThan($at, $reading->at);
            self::assertSame($index === count($readings) - 1 ? 'hold' : 'live', $reading->state);
            self::assertSame($unit, $reading->unit);
            $at = $reading->at;
        }
        self::assertGreaterThan(5, count($readings));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function devices(): iterable
    {
        yield 'inclinometer' => ['inclinometer', 'cervical.rotation', 'deg'];
        yield 'algometer' => ['algometer', 'trapezius_upper', 'kPa'];
        yield 'dynamometer' => ['dynamometer', 'grip_pain_free', 'kg'];
    }

    public function test_the_same_client_reads_the_same_and_repeats_stray_about_one_value(): void
    {
        $hold = static fn (int $seed, int $repeat): float => self::last(
            SimulatedDevices::of(Core::clinic())->readings('inclinometer', 'cervical.rotation', Side::Left, $seed, $repeat, 60.0),
        );
        self::assertSame($hold(3, 1), $hold(3, 1));
        $repeats = array_map(static fn (int $repeat): float => $hold(3, $repeat), range(1, 200));

        self::assertGreaterThan(50, count(array_unique($repeats)));
        self::assertEqualsWithDelta(60, array_sum($repeats) / 200, 0.7);
        $deviation = sqrt(array_sum(array_map(static fn (float $one): float => ($one - 60) ** 2, $repeats)) / 200);
        self::assertEqualsWithDelta(7 / 3, $deviation, 0.5, 'a third of the measuring error of the neck');
    }

    public function test_nobody_knows_another_device_and_all_names_are_known(): void
    {
        self::assertSame(['inclinometer', 'algometer', 'dynamometer'], SimulatedDevices::names());
        $this->expectException(UnknownId::class);
        SimulatedDevices::of(Core::clinic())->readings('thermometer', 'neck', Side::Left, 1, 1);
    }

    /** @param  non-empty-list<DeviceReading>  $readings */
    private static function last(array $readings): float
    {
        return $readings[count($readings) - 1]->value;
    }
}
