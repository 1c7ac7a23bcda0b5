<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

/** A target with the way and the minutes the solver gave it. */
final readonly class Chosen
{
    public function __construct(public Target $target, public Option $option, public int $minutes)
    {
    }
}
