<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Handwork\Composition;

/** A target with the way and the composition the solver gave it. */
final readonly class Chosen
{
    /** @param  Composition|null  $otherSide  what is done on the other side then */
    public function __construct(
        public Target $target, public Option $option, public Composition $composition, public ?Composition $otherSide = null,
    ) {
    }

    public function minutes(): float
    {
        return $this->composition->minutes();
    }
}
