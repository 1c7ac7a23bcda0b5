<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** How much a muscle bears. */
enum Tissue: string
{
    case Delicate = 'delicate';
    case Ordinary = 'ordinary';
    case Robust = 'robust';
}
