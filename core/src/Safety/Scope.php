<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;

/** What a limit touches; several parts together mean "where all of them hold". */
final readonly class Scope
{
    private string $key;

    public function __construct(
        public ?Place $place = null,
        public ?string $technique = null,
        public ?string $tool = null,
        public ?string $position = null,
        public ?string $product = null,
        public ?MuscleAt $muscle = null,
        public ?string $site = null,
        public ?string $setup = null,
    ) {
        $this->key = implode('|', [$place?->key(), $muscle?->key(), $technique, $tool, $position, $product, $site, $setup]);
    }

    public function with(string $tool): self
    {
        return new self($this->place, $this->technique, $tool, $this->position, $this->product, $this->muscle, $this->site, $this->setup);
    }

    public function key(): string
    {
        return $this->key;
    }

    /** The place it names, else the muscle, else nothing: what is elsewhere is not touched. */
    public function where(): string
    {
        return $this->place?->key() ?? $this->muscle?->key() ?? '';
    }

    public function touches(ProposedWork $work): bool
    {
        return ($this->place === null || isset($work->placeKeys[$this->place->key()]))
            && ($this->muscle === null || $this->muscle->key() === $work->muscle?->key())
            && ($this->technique === null || $this->technique === $work->technique)
            && ($this->tool === null || $this->tool === $work->tool)
            && ($this->position === null || $this->position === $work->position)
            && ($this->product === null || $this->product === $work->product)
            && ($this->site === null || $this->site === $work->site)
            && ($this->setup === null || $this->setup === $work->setup);
    }

    /** Whether it holds for all that is done today, wherever and with whatever. */
    public function isEverything(): bool
    {
        return trim($this->key, '|') === '';
    }

    /** @return array<string, string|true> */
    public function toArray(): array
    {
        $parts = array_filter([
            'zone' => $this->place?->zone,
            'muscle' => $this->muscle?->muscle,
            'side' => ($this->place ?? $this->muscle)?->side->value,
            'technique' => $this->technique,
            'tool' => $this->tool,
            'position' => $this->position,
            'product' => $this->product,
            'site' => $this->site,
            'setup' => $this->setup,
        ]);

        return $parts === [] ? ['all' => true] : $parts;
    }
}
