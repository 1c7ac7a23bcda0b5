<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\MuscleAt;

/** A muscle that could have been worked today, and why it is not. */
final readonly class LeftOut
{
    public function __construct(public MuscleAt $at, public string $name, public Reason $reason)
    {
    }

    /** @return array{muscle: string, side: string, name: string, kind: string, id: string, because: string} */
    public function toArray(): array
    {
        return [
            'muscle' => $this->at->muscle, 'side' => $this->at->side->value, 'name' => $this->name,
            'kind' => $this->reason->kind->value, 'id' => $this->reason->id, 'because' => $this->reason->words,
        ];
    }
}
