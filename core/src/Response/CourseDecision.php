<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

enum CourseDecision: string
{
    case Continue = 'continue';
    case Reassess = 'reassess';
    case Refer = 'refer';
    case SpaceOut = 'space_out';
    case Discharge = 'discharge';
    case NotEnough = 'not_enough';
}
