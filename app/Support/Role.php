<?php

declare(strict_types=1);

namespace App\Support;

enum Role: string
{
    case Therapist = 'therapist';
    case Reception = 'reception';

    /** Reception books and prints; it must not read clinical notes. */
    public function readsClinical(): bool
    {
        return match ($this) {
            self::Therapist => true,
            self::Reception => false,
        };
    }
}
