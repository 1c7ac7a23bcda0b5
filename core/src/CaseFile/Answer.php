<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/** yes, no or unknown; what nobody asked is unknown, and unknown is never no. */
enum Answer: string
{
    case Yes = 'yes';
    case No = 'no';
    case Unknown = 'unknown';

    public function and(self $other): self
    {
        return match (true) {
            $this === self::No || $other === self::No => self::No,
            $this === self::Yes && $other === self::Yes => self::Yes,
            default => self::Unknown,
        };
    }

    public function or(self $other): self
    {
        return match (true) {
            $this === self::Yes || $other === self::Yes => self::Yes,
            $this === self::No && $other === self::No => self::No,
            default => self::Unknown,
        };
    }
}
