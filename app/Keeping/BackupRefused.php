<?php

declare(strict_types=1);

namespace App\Keeping;

/** A backup that cannot be made or read; the message says why, in words for whoever keeps the clinic. */
final class BackupRefused extends \RuntimeException
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
