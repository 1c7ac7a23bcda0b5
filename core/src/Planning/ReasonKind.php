<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

enum ReasonKind: string
{
    /** left out by hand */
    case Dropped = 'dropped';
    case Stopped = 'stopped';
    /** what earlier visits say of it */
    case Course = 'course';
    /** beyond the training of whoever treats */
    case Training = 'training';
    case Position = 'position';
    case Technique = 'technique';
    case Tool = 'tool';
    case Consent = 'consent';
    case Limit = 'limit';
    /** worth less than the others in the time there is */
    case Worth = 'worth';
}
