<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

final readonly class Solution
{
    /**
     * @param  list<string>  $families  in the order of the visit
     * @param  list<Chosen>  $chosen
     */
    public function __construct(public array $families, public array $chosen, public float $benefit)
    {
    }

    public function turns(): int
    {
        return max(0, count($this->families) - 1);
    }
}
