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

    /**
     * @param  list<string>  $families
     * @param  list<Chosen>  $chosen
     * @param  float  $penalty  what the turns cost
     */
    public static function of(array $families, array $chosen, float $penalty, int $turns): self
    {
        return new self($families, $chosen, self::worthOf($chosen) - $penalty, $turns);
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
        return self::worthOf($this->chosen);
    }

    /** @param  list<Chosen>  $chosen */
    private static function worthOf(array $chosen): float
    {
        return array_sum(array_map(static fn (Chosen $one): float => $one->target->benefit($one->minutes()), $chosen));
    }
}
