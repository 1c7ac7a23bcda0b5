<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;

/** Something one might do to a client, to be held against the limits. What is null is left open and touched by nothing that names it. */
final readonly class ProposedWork
{
    /** @var array<string, true> */
    public array $placeKeys;

    /** @param  list<Place>  $places */
    public function __construct(
        public array $places,
        public ?string $technique = null,
        public ?string $tool = null,
        public ?string $position = null,
        public ?string $product = null,
        public ?MuscleAt $muscle = null,
        public ?string $site = null,
        public ?string $setup = null,
    ) {
        $keys = [];
        foreach ($places as $place) {
            $keys[$place->key()] = true;
        }
        $this->placeKeys = $keys;
    }

    public function with(string $tool): self
    {
        return new self($this->places, $this->technique, $tool, $this->position, $this->product, $this->muscle, $this->site, $this->setup);
    }
}
