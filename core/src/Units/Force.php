<?php

declare(strict_types=1);

namespace Somatrace\Core\Units;

final readonly class Force
{
    private const GRAVITY = 9.81;

    private function __construct(public float $newtons)
    {
    }

    /** @throws InvalidMeasure outside 0–5000 N */
    public static function ofNewtons(float $newtons): self
    {
        if (! ($newtons >= 0 && $newtons <= 5000)) {
            throw InvalidMeasure::outOfRange('force', $newtons, 'N', 0, 5000);
        }

        return new self($newtons);
    }

    /** How much of a body of that mass must lean for this force, in percent of its weight. */
    public function leanPercent(float $massKg): float
    {
        return 100 * $this->newtons / ($massKg * self::GRAVITY);
    }
}
