<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Side;

/** A check not yet done, what it would tell, and what it would cost. */
final readonly class NextCheck
{
    /** @param  bool  $direct  it answers of one of the leaders itself, as a hand does, and does not hint */
    public function __construct(
        public string $kind,
        public string $id,
        public Side $side,
        public string $name,
        public float $bits,
        public float $gain,
        public float $minutes,
        public string $because,
        public bool $direct,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind, 'id' => $this->id, 'side' => $this->side->value, 'name' => $this->name,
            'bits' => round($this->bits, 4), 'gain' => round($this->gain, 4), 'minutes' => $this->minutes, 'because' => $this->because,
        ];
    }
}
