<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;

/** What is true of one muscle of a simulated client, and hidden from whoever assesses. */
final readonly class HiddenMuscle
{
    /**
     * @param  float  $strength  share in the complaint, 0 for a decoy to 1
     * @param  float  $tightness  how much it holds back, 0–1
     * @param  float  $irritability  how easily it hurts, 0–1
     * @param  list<Place>  $felt  where it is felt: of a source the complaint, of a decoy only under the finger
     */
    public function __construct(
        public MuscleAt $at,
        public float $strength,
        public float $tightness,
        public float $irritability,
        public array $felt,
    ) {
    }

    public function weaker(float $share): self
    {
        return new self($this->at, $share * $this->strength, $this->tightness, $this->irritability, $this->felt);
    }

    public function isSource(): bool
    {
        return $this->strength > 0;
    }
}
