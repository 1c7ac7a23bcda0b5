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
        $this->placeKeys = array_fill_keys(array_map(static fn (Place $place): string => $place->key(), $places), true);
    }
}
