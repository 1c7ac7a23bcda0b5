<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/** What speaks for "none of these": how much, whether it leads whatever the muscles add up to, and why. */
final readonly class NoneOfThese
{
    /** @param  list<array{code: string, weight: float, text: string}>  $evidence */
    public function __construct(public array $evidence, public bool $leads)
    {
    }

    public function weight(): float
    {
        return array_sum(array_column($this->evidence, 'weight'));
    }
}
