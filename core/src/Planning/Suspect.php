<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Pattern\Candidate;

/** A muscle nobody felt that is to be felt first: the ranking suspects it, or it belongs to work that is done. */
final readonly class Suspect
{
    public function __construct(public Candidate $candidate, public bool $isAsked)
    {
    }

    public function why(): string
    {
        return $this->isAsked
            ? 'It belongs to this work and nobody felt it: feel first, skip it if it is quiet.'
            : 'The ranking suspects it and nobody felt it: feel first, skip it if it is quiet.';
    }
}
