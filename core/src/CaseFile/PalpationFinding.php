<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** What the hand found in one place of a muscle. Tenderness 0–4; what is null was not looked for. */
final readonly class PalpationFinding implements OfMuscle
{
    /**
     * @param  list<string>  $texture
     * @param  list<Place>  $refersTo
     * @param  list<float>  $pptRepeatsKpa
     */
    public function __construct(
        public string $muscle,
        public Side $side,
        public ?string $site = null,
        public ?int $tenderness = null,
        public ?string $tone = null,
        public array $texture = [],
        public array $refersTo = [],
        public ?Answer $familiar = null,
        public ?float $pptKpa = null,
        public array $pptRepeatsKpa = [],
        public ?string $spot = null,
        public bool $simulated = false,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('muscle'), Side::from($f->string('side')), $f->stringOrNull('site'), $f->intOrNull('tenderness'),
            $f->stringOrNull('tone'),
            $f->strings('texture'), $f->map('refers_to', Place::from(...)), Answer::tryFrom($f->stringOrNull('familiar') ?? ''),
            $f->floatOrNull('ppt_kpa'), $f->floats('ppt_repeats_kpa'), $f->stringOrNull('spot'), $f->bool('simulated'),
        );
    }

    /** The same, told of another muscle: a part of the one that was felt. */
    public function of(string $muscle): static
    {
        return new self(
            $muscle, $this->side, null, $this->tenderness, $this->tone, $this->texture, $this->refersTo, $this->familiar, $this->pptKpa,
            $this->pptRepeatsKpa, null, $this->simulated,
        );
    }

    public function at(): MuscleAt
    {
        return new MuscleAt($this->muscle, $this->side);
    }
}
