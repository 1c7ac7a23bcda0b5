<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Units;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Units\ContactArea;
use Somatrace\Core\Units\InvalidMeasure;
use Somatrace\Core\Units\PressureUnit;
use Somatrace\Core\Units\TissuePressure;

final class UnitsTest extends TestCase
{
    public function test_a_kilopascal_on_a_square_centimetre_is_a_tenth_of_a_newton(): void
    {
        self::assertEqualsWithDelta(50.0, TissuePressure::ofKPa(100)->over(ContactArea::ofCm2(5))->newtons, 1e-9);
        self::assertEqualsWithDelta(50 / (70 * 9.81) * 100, TissuePressure::ofKPa(100)->over(ContactArea::ofCm2(5))->leanPercent(70), 1e-9);
    }

    #[DataProvider('units')]
    public function test_pressure_is_shown_in_the_unit_a_clinic_prefers(PressureUnit $unit, float $value): void
    {
        self::assertEqualsWithDelta($value, TissuePressure::ofKPa(196.133)->in($unit), 1e-3);
    }

    /** @return iterable<string, array{PressureUnit, float}> */
    public static function units(): iterable
    {
        yield 'kPa' => [PressureUnit::KiloPascal, 196.133];
        yield 'N/cm²' => [PressureUnit::NewtonPerCm2, 19.6133];
        yield 'kg/cm²' => [PressureUnit::KilogramPerCm2, 2.0];
        yield 'lb/in²' => [PressureUnit::PoundPerInch2, 28.447];
    }

    #[DataProvider('impossible')]
    public function test_what_cannot_be_is_refused(float $kPa): void
    {
        $this->expectException(InvalidMeasure::class);
        TissuePressure::ofKPa($kPa);
    }

    /** @return iterable<string, array{float}> */
    public static function impossible(): iterable
    {
        yield 'below nothing' => [-1];
        yield 'beyond any hand' => [2001];
        yield 'not a number' => [NAN];
    }
}
