<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** Work done on one muscle in a past visit; dose is pressure × seconds in contact, kPa·s. */
final readonly class Done implements OfMuscle
{
    /** @param  list<string>  $signs */
    public function __construct(
        public string $muscle,
        public Side $side,
        public float $minutes,
        public float $maxPressure,
        public ?string $technique = null,
        public ?string $tool = null,
        public ?float $doseKpaS = null,
        public array $signs = [],
        public ?float $secondsAtPressure = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('muscle'), Side::from($f->string('side')), $f->float('minutes'), $f->float('max_pressure'),
            $f->stringOrNull('technique'),
            $f->stringOrNull('tool'), $f->floatOrNull('dose_kpa_s'), $f->strings('signs'), $f->floatOrNull('seconds_at_pressure'),
        );
    }

    /** The same, told of another muscle: a part of the one that was worked. */
    public function of(string $muscle): static
    {
        return new self(
            $muscle, $this->side, $this->minutes, $this->maxPressure, $this->technique, $this->tool, $this->doseKpaS, $this->signs,
            $this->secondsAtPressure,
        );
    }

    public function at(): MuscleAt
    {
        return new MuscleAt($this->muscle, $this->side);
    }
}
