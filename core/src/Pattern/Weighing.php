<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/**
 * Sets signs of one kind beside each other. Three signs of one shortness are not three proofs: the second, third …
 * count less, and a kind has a cap. Signs for and against are discounted apart, so that one more matching sign can
 * never lower the sum and one more contradicting sign never raise it.
 */
final readonly class Weighing
{
    public function __construct(private Figures $figures)
    {
    }

    /** @param  list<Sign>  $signs */
    public function weigh(array $signs): Weighed
    {
        $groups = [];
        foreach ($signs as $sign) {
            $groups[$sign->group][] = $sign->strength;
        }
        $sum = 0.0;
        foreach ($groups as $group => $strengths) {
            $of = $this->figures->addedUp($strengths);
            $of = min($of, $this->figures->caps[substr($group, 0, -1)] ?? $of);
            $sum += $group[-1] === '+' ? $of : -$of;
        }

        return new Weighed($this, $sum, $signs);
    }

    /**
     * @param  list<Sign>  $signs
     * @return list<Evidence> in a fixed order: kind, for before against, then strength, then code
     */
    public function evidence(array $signs): array
    {
        $groups = [];
        foreach ($signs as $sign) {
            $groups[$sign->group][] = $sign;
        }
        ksort($groups);
        $evidence = [];
        foreach ($groups as $group) {
            $this->group($group, $evidence);
        }

        return $evidence;
    }

    /**
     * @param  non-empty-list<Sign>  $signs  of one kind and one direction
     * @param  list<Evidence>  $evidence
     */
    private function group(array $signs, array &$evidence): void
    {
        if (count($signs) > 1) {
            usort($signs, static fn (Sign $a, Sign $b): int => $b->strength <=> $a->strength ?: $a->code <=> $b->code);
        }
        $sum = 0.0;
        $parts = [];
        foreach ($signs as $rank => $sign) {
            $parts[] = $part = $this->figures->discounted($rank);
            $sum += $sign->strength * $part;
        }
        $cap = $this->figures->caps[$signs[0]->kind] ?? $sum;
        $share = $sum > $cap ? $cap / $sum : 1.0;
        foreach ($signs as $rank => $sign) {
            $part = $parts[$rank] * $share;
            $evidence[] = new Evidence($sign, $sign->share * $part, $sign->weight * $part);
        }
    }
}
