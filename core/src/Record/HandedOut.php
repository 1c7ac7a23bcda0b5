<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\SelfCare;
use Somatrace\Core\Anatomy\Side;

/** Something given to be done at home, with the dose that was agreed. */
final readonly class HandedOut
{
    public function __construct(public SelfCare $care, public ?Side $side, public string $dose, public string $howOften)
    {
    }
}
