<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\MuscleAt;

final readonly class LeftOut
{
    public function __construct(public MuscleAt $at, public string $name, public string $because)
    {
    }

    /** @return array{muscle: string, side: string, name: string, because: string} */
    public function toArray(): array
    {
        return ['muscle' => $this->at->muscle, 'side' => $this->at->side->value, 'name' => $this->name, 'because' => $this->because];
    }
}
