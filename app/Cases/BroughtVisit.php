<?php

declare(strict_types=1);

namespace App\Cases;

/** One visit as a file tells it. */
final readonly class BroughtVisit
{
    /**
     * @param  string  $date Y-m-d, the day of the visit
     * @param  string|null  $at moment with its zone, where the file knows one
     * @param  list<BroughtEntry>  $entries
     */
    public function __construct(public string $date, public array $entries, public ?string $at = null, public ?int $minutes = null)
    {
    }
}
