<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/** The most minutes something is worked today, and why no more. */
final readonly class MinutesCap
{
    public function __construct(public float $minutes, public string $because)
    {
    }

    public function and(self $other): self
    {
        return $other->minutes < $this->minutes ? $other : $this;
    }
}
