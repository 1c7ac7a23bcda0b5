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

    /**
     * @param  list<Sign>  $signs
     * @return list<Evidence> in a fixed order: kind, then strength, then code
     */
    public function evidence(array $signs): array
    {
        usort($signs, static fn (Sign $a, Sign $b): int => [$a->kind, -abs($a->weight), $a->code, $a->text] <=> [$b->kind, -abs($b->weight), $b->code, $b->text]);
        $groups = [];
        foreach ($signs as $sign) {
            $groups[$sign->kind.($sign->weight > 0 ? '+' : '-')][] = $sign;
        }

        return array_merge([], ...array_values(array_map($this->group(...), $groups)));
    }

    /**
     * @param  non-empty-list<Sign>  $signs  of one kind and one direction, strongest first
     * @return list<Evidence>
     */
    private function group(array $signs): array
    {
        $last = count($this->figures->discount) - 1;
        $weights = [];
        foreach ($signs as $rank => $sign) {
            $weights[] = $sign->weight * $this->figures->discount[min($rank, $last)];
        }
        $sum = abs(array_sum($weights));
        $cap = $this->figures->caps[$signs[0]->kind] ?? $sum;
        $share = $sum > $cap ? $cap / $sum : 1.0;

        return array_map(
            static fn (Sign $sign, float $weight): Evidence => new Evidence($sign->kind, $sign->code, $weight * $share, $sign->text),
            $signs,
            $weights,
        );
    }
}
