<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** What a limit does. */
enum Effect: string
{
    case Avoid = 'avoid';
    case CapPressure = 'cap_pressure';
    case CapMinutes = 'cap_minutes';
    case Exclude = 'exclude';
    case Consent = 'consent';
    case Glove = 'glove';
    case DoctorFirst = 'doctor_first';
    case CheckFirst = 'check_first';
    case Watch = 'watch';

    /** Whether two limits of one scope are one limit with the lower figure, or stand side by side. */
    public function isFigure(): bool
    {
        return match ($this) {
            self::CapPressure, self::CapMinutes => true,
            self::Avoid, self::Exclude, self::Consent, self::Glove, self::DoctorFirst, self::CheckFirst, self::Watch => false,
        };
    }
}
