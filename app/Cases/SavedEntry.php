<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Entry;

/** The outcome of a save: the entry as it stands now, and what another window had written there first. */
final readonly class SavedEntry
{
    /**
     * @param  list<string>|null  $clashing  the fields that both had changed; null when it can only stand as a whole, and another stands
     */
    private function __construct(public Entry $entry, public ?array $clashing)
    {
    }

    public static function kept(Entry $entry): self
    {
        return new self($entry, []);
    }

    /** @param  list<string>  $clashing  fields that stay as the other window has them */
    public static function merged(Entry $entry, array $clashing): self
    {
        return new self($entry, $clashing);
    }

    public static function refused(Entry $entry): self
    {
        return new self($entry, null);
    }

    public function conflict(): bool
    {
        return $this->clashing !== [];
    }
}
