<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Handwork\Composition;

/** One way to treat a target in one position family: what is done, short, usual or long. */
final readonly class Option
{
    /**
     * @param  list<Place>  $places  under its sites
     * @param  non-empty-array<string, Composition>  $compositions  by size, each longer than the one before
     * @param  array<string, float>  $offered  minutes of every size there is, also of those that were not wanted
     * @param  array<string, Composition>  $otherSide  what is done on the other side then, by size; empty where it is not worked
     */
    public function __construct(
        public string $family,
        public string $position,
        public array $places,
        public array $compositions,
        public int $preference,
        public bool $otherSideReachable,
        public array $otherSide,
        public array $offered,
    ) {
    }

    /** In that size only, or in the longest before it. */
    public function only(string $size): self
    {
        $one = $this->compositions[$size] ?? null;
        if ($one !== null) {
            return $this->with([$size => $one]);
        }
        $last = array_key_last($this->compositions);

        return $this->with([$last => $this->compositions[$last]]);
    }

    /** @param  non-empty-array<string, Composition>  $compositions */
    private function with(array $compositions): self
    {
        return new self(
            $this->family, $this->position, $this->places, $compositions, $this->preference, $this->otherSideReachable, $this->otherSide,
            $this->offered,
        );
    }

    /** With only what comes before that size. */
    public function below(string $size): ?self
    {
        $before = [];
        foreach ($this->compositions as $name => $composition) {
            if ($name === $size) {
                break;
            }
            $before[$name] = $composition;
        }

        return $before === [] ? null : $this->with($before);
    }

    public function longest(): Composition
    {
        return $this->compositions[array_key_last($this->compositions)];
    }

    public function shortest(): Composition
    {
        return $this->compositions[array_key_first($this->compositions)];
    }
}
