<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One muscle on one side: what is felt, ranked and treated. */
final readonly class MuscleAt
{
    private string $key;

    public function __construct(public string $muscle, public Side $side)
    {
        $this->key = $muscle.':'.$side->value;
    }

    public static function from(Fields $fields): self
    {
        return new self($fields->string('muscle'), Side::from($fields->string('side')));
    }

    public function key(): string
    {
        return $this->key;
    }

    public function mirrored(): self
    {
        return new self($this->muscle, $this->side->mirrored());
    }
}
