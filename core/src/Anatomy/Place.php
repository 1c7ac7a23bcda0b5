<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A skin zone on one side. */
final readonly class Place
{
    public function __construct(public string $zone, public Side $side)
    {
    }

    public static function from(Fields $fields): self
    {
        return new self($fields->string('zone'), Side::from($fields->string('side')));
    }

    /** One zone, on one side; what has no side lies on both. */
    public function meets(self $other): bool
    {
        return $this->zone === $other->zone
            && ($this->side === $other->side || in_array(Side::Midline, [$this->side, $other->side], true));
    }

    public function key(): string
    {
        return $this->zone.':'.$this->side->value;
    }
}
