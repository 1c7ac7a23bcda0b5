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
    ) {
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

        return $before === [] ? null : new self(
            $this->family, $this->position, $this->places, $before, $this->preference, $this->otherSideReachable, $this->otherSide,
        );
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
