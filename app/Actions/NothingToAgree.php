<?php

declare(strict_types=1);

namespace App\Actions;

/** There is no plan to agree; the message says why, in words for the therapist. */
final class NothingToAgree extends \DomainException
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
