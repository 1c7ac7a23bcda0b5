<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Entry;

/** The outcome of a save: the entry as it stands now, and whether another window had been there first. */
final readonly class SavedEntry
{
    public function __construct(public Entry $entry, public bool $conflict)
    {
    }
}
