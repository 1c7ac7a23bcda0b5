<?php

declare(strict_types=1);

namespace Somatrace\Core\Units;

/** The area that really carries the pressure, in cm²: less than a broad tool covers. */
final readonly class ContactArea
{
    private function __construct(public float $cm2)
    {
    }

    /** @throws InvalidMeasure outside 0.1–100 cm² */
    public static function ofCm2(float $cm2): self
    {
        if (! ($cm2 >= 0.1 && $cm2 <= 100)) {
            throw InvalidMeasure::outOfRange('contact area', $cm2, 'cm²', 0.1, 100);
        }

        return new self($cm2);
    }
}
