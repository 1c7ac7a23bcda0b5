<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

enum CautionKind: string
{
    /** what safety asks to watch today */
    case Safety = 'safety';
    /** a place never to be pressed, and how it answers */
    case Hazard = 'hazard';
    /** the muscle's own */
    case Muscle = 'muscle';
    case Glove = 'glove';
    case Hygiene = 'hygiene';
    case Cold = 'cold';
}
