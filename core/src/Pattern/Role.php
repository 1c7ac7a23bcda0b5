<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/** What part a muscle plays in the picture. */
enum Role: string
{
    case Source = 'source';
    case Site = 'site';
    case Overstretched = 'overstretched';
    case Compensating = 'compensating';
    case Unclear = 'unclear';
}
