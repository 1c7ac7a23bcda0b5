<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

enum MeasureVerdict: string
{
    case Improved = 'improved';
    case NoRealChange = 'no_real_change';
    case Worse = 'worse';
    case NotEnough = 'not_enough';
}
