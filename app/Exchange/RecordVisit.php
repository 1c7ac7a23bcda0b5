<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Cases\BroughtEntry;
use Carbon\CarbonImmutable;

/** One visit of a record, as plain values. */
final readonly class RecordVisit
{
    /**
     * @param  CarbonImmutable  $at in the clinic's zone
     * @param  list<BroughtEntry>  $entries
     * @param  list<array<string, mixed>>  $done as the case format has it
     * @param  array<string, mixed>|null  $plan the one agreed last
     * @param  list<array<string, mixed>>  $notes every revision
     */
    public function __construct(
        public string $id,
        public int $number,
        public CarbonImmutable $at,
        public string $status,
        public string $origin,
        public int $minutes,
        public string $therapist,
        public array $entries,
        public array $done,
        public ?array $plan,
        public array $notes,
    ) {
    }

    public function day(): string
    {
        return $this->at->format('Y-m-d');
    }
}
