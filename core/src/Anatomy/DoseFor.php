<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** What a dose is counted by: an area, a line, a spot; a tendon and a first time have doses of their own. */
enum DoseFor: string
{
    case Area = 'area';
    case Line = 'line';
    case Spot = 'spot';
    case Grip = 'grip';
    case Joint = 'joint';
    case Tendon = 'tendon';
    case First = 'first';
    case FirstDelicate = 'first_delicate';
}
