<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/**
 * A way a part of the body can go: what actions and lengthening are compared in, since some movements that are measured
 * combine several, and some that muscles do are never measured.
 */
final readonly class Direction
{
    /** @param  bool  $crosses  its opposite is the same direction to the other side, as in turning the head */
    private function __construct(public string $id, public string $name, public string $opposite, public bool $crosses)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->string('id'), $row->string('name'), $row->string('opposite'), $row->bool('crosses'));
    }

    /** What undoes this direction, seen from a muscle that does it on the side given. */
    public function undoneBy(Relation $side): DirectionUse
    {
        return new DirectionUse($this->opposite, $this->crosses ? $side->opposite() : $side);
    }
}
