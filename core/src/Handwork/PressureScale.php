<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Units\TissuePressure;

/** From what a client feels to pressure in the tissue: close to linear through zero below the pressure-pain threshold. */
final readonly class PressureScale
{
    public function __construct(public float $kPaPerPoint, public string $from)
    {
    }

    public function tissue(float $felt): TissuePressure
    {
        return TissuePressure::ofKPa(min(2000, $felt * $this->kPaPerPoint));
    }
}
