<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

/** The targets of a plan, each with its way and its composition, in the order of the positions. */
final readonly class Solution
{
    /**
     * @param  list<string>  $families  in the order of the visit
     * @param  list<Chosen>  $chosen
     */
    public function __construct(public array $families, public array $chosen, public float $benefit, public int $turns = 0)
    {
    }

    public function has(string $key): bool
    {
        foreach ($this->chosen as $one) {
            if ($one->target->key === $key) {
                return true;
            }
        }

        return false;
    }

    /** What its work is worth, whatever the turns cost. */
    public function worth(): float
    {
        return array_sum(array_map(static fn (Chosen $one): float => $one->target->benefit($one->minutes()), $this->chosen));
    }
}
