<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Carbon\Exceptions\InvalidFormatException;

/** A day as an address names it. */
final readonly class Day
{
    /** The beginning of that day there; null where the words are no day, or one that no practice lives to see. */
    public static function read(string $day, string $zone): ?CarbonImmutable
    {
        try {
            $read = preg_match('/^\d{4}-\d{2}-\d{2}$/', $day) === 1 ? CarbonImmutable::createFromFormat('!Y-m-d', $day, $zone) : null;
        } catch (InvalidFormatException) {
            return null;
        }

        // a day that is none would be taken for another
        return $read?->format('Y-m-d') === $day && $read->year > 1900 && $read->year < 2200 ? $read : null;
    }
}
