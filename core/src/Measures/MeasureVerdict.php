<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

enum MeasureVerdict: string
{
    case Improved = 'improved';
    case NoRealChange = 'no_real_change';
    case Worse = 'worse';
    case NotEnough = 'not_enough';

    /** In which order they are told: what got worse first. */
    public function rank(): int
    {
        return match ($this) {
            self::Worse => 0, self::Improved => 1, default => 2,
        };
    }
}
