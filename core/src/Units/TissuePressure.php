<?php

declare(strict_types=1);

namespace Somatrace\Core\Units;

/** Pressure inside the tissue. Kept in kPa; other units only at the edges. */
final readonly class TissuePressure
{
    private function __construct(public float $kPa)
    {
    }

    /** @throws InvalidMeasure outside 0–2000 kPa, or not a number */
    public static function ofKPa(float $kPa): self
    {
        if (! ($kPa >= 0 && $kPa <= 2000)) { // written so that NAN is refused too
            throw InvalidMeasure::outOfRange('tissue pressure', $kPa, 'kPa', 0, 2000);
        }

        return new self($kPa);
    }

    /** Force needed under that contact: 1 kPa on 1 cm² is 0.1 N. */
    public function over(ContactArea $area): Force
    {
        return Force::ofNewtons($this->kPa * $area->cm2 / 10);
    }

    /** In the unit a clinic prefers: kPa, N/cm², kg/cm² (98.0665 kPa) or lb/in² (6.894757 kPa). */
    public function in(PressureUnit $unit): float
    {
        return $this->kPa / $unit->kPa();
    }
}
