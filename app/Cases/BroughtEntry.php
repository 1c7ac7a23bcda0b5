<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;

/** One thing recorded, as a file tells it. */
final readonly class BroughtEntry
{
    /**
     * @param  'before'|'after'  $phase
     * @param  string  $saidOn Y-m-d
     * @param  bool  $partial tells some parts only: what else stands there stays
     */
    public function __construct(
        public EntryKind $kind,
        public string $phase,
        public string $identity,
        public mixed $payload,
        public string $saidOn,
        public bool $partial = false,
    ) {
    }

    public function named(string $identity): self
    {
        return new self($this->kind, $this->phase, $identity, $this->payload, $this->saidOn, $this->partial);
    }

    /** What would stand after it where that stood before. */
    public function over(mixed $standing): mixed
    {
        return $this->partial && is_array($standing) && is_array($this->payload) ? [...$standing, ...$this->payload] : $this->payload;
    }

    public function key(): string
    {
        return $this->kind->key($this->phase, $this->identity);
    }
}
