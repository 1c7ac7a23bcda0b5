<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Models\EntryKind;

/** One finding of one visit, as the record holds it. */
final readonly class FindingRow
{
    /** @param  array<string, mixed>  $payload */
    public function __construct(public string $date, public string $phase, public EntryKind $kind, public array $payload)
    {
    }
}
