<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** On how many visits this muscle has been worked before. */
final readonly class Exposure implements OfMuscle
{
    public function __construct(public string $muscle, public Side $side, public int $visits)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('muscle'), Side::from($f->string('side')), $f->int('visits'));
    }

    /** The same, told of another muscle: a part of the one that was worked. */
    public function of(string $muscle): static
    {
        return new self($muscle, $this->side, $this->visits);
    }

    public function at(): MuscleAt
    {
        return new MuscleAt($this->muscle, $this->side);
    }
}
