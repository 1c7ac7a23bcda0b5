<?php

declare(strict_types=1);

namespace App\Cases;

/** What a file tells of one client: visits with what was found in them, oldest first, and what of it has no place in a record here. */
final readonly class Brought
{
    /**
     * @param  list<BroughtVisit>  $visits
     * @param  list<string>  $unkept in words
     */
    public function __construct(public array $visits, public array $unkept = [])
    {
    }
}
