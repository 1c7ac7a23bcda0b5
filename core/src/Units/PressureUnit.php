<?php

declare(strict_types=1);

namespace Somatrace\Core\Units;

enum PressureUnit: string
{
    case KiloPascal = 'kPa';
    case NewtonPerCm2 = 'N/cm²';
    case KilogramPerCm2 = 'kg/cm²';
    case PoundPerInch2 = 'lb/in²';

    /** One of this unit in kPa. */
    public function kPa(): float
    {
        return match ($this) {
            self::KiloPascal => 1.0,
            self::NewtonPerCm2 => 10.0,
            self::KilogramPerCm2 => 98.0665,
            self::PoundPerInch2 => 6.894757,
        };
    }
}
