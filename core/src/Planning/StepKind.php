<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

enum StepKind: string
{
    case Settle = 'settle';
    case Position = 'position';
    case WarmUp = 'warm_up';
    case Cold = 'cold';
    case Feel = 'feel';
    case Treat = 'treat';
    case Soothe = 'soothe';
    case RestStroke = 'rest_stroke';
    case Hygiene = 'hygiene';
    case Recheck = 'recheck';
    case Finish = 'finish';
    case Aftercare = 'aftercare';
}
