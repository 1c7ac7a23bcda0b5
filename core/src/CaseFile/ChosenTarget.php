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

    /** @return list<self> those that name a muscle; a joint is no target of the planner yet and is told of as left out */
    public static function ofMuscles(Fields $f, string $key): array
    {
        return array_map(self::from(...), $f->having($key, 'muscle'));
    }

    public function at(): MuscleAt
    {
        return new MuscleAt($this->muscle, $this->side);
    }
}
