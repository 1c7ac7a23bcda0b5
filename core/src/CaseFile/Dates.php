<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/** Calendar dates without a clock: all at midnight UTC, so that differences are whole days. */
final readonly class Dates
{
    public static function of(string $date): \DateTimeImmutable
    {
        return new \DateTimeImmutable($date.'T00:00:00Z');
    }

    public static function orNull(?string $date): ?\DateTimeImmutable
    {
        return $date === null ? null : self::of($date);
    }

    /** Whole days from the first to the second; negative when it lies before. */
    public static function days(\DateTimeImmutable $from, \DateTimeImmutable $to): int
    {
        return (int) round(($to->getTimestamp() - $from->getTimestamp()) / 86400);
    }
}
