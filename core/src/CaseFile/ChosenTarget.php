<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

final readonly class ChosenTarget
{
    public function __construct(public string $muscle, public Side $side, public bool $lock = false)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('muscle'), Side::from($f->string('side')), $f->bool('lock'));
    }

    public function at(): MuscleAt
    {
        return new MuscleAt($this->muscle, $this->side);
    }
}
