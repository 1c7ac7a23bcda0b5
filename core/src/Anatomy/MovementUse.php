<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** A movement as one muscle meets it: on its own side, the other, or about the midline. */
final readonly class MovementUse
{
    public function __construct(public string $movement, public Relation $relation, public bool $prime)
    {
    }

    public function keyFor(Side $side): string
    {
        return $this->movement.':'.$side->related($this->relation)->value;
    }
}
