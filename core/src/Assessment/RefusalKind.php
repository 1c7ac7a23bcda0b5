<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

enum RefusalKind: string
{
    /** what would forbid it has not been asked */
    case Unasked = 'unasked';
    /** something forbids it */
    case Forbidden = 'forbidden';
    /** the client cannot lie so today */
    case Position = 'position';
}
