<?php

declare(strict_types=1);

namespace App\Cases;

/** One entry read as a plain row: a course of twenty visits is hundreds of them. */
final readonly class EntryRow
{
    public function __construct(
        public int $visit,
        public string $phase,
        public string $kind,
        public string $identity,
        public mixed $payload,
        public string $saidOn,
    ) {
    }
}
