<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/** How much of a target's work is done. */
enum Size: string
{
    case Short = 'short';
    case Usual = 'usual';
    case Long = 'long';
}
