<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A direction as one muscle meets it: on its own side, the other, or about the midline. */
final readonly class DirectionUse
{
    public function __construct(public string $direction, public Relation $side)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->string('direction'), Relation::from($row->string('side')));
    }

    public function key(): string
    {
        return $this->direction.':'.$this->side->value;
    }
}
