<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Place;

/** One way to treat a target in one position family. */
final readonly class Option
{
    /** @param  list<Place>  $places under the site */
    public function __construct(
        public string $family,
        public string $position,
        public string $site,
        public array $places,
        public string $technique,
        public string $tool,
        public Ceiling $ceiling,
        public float $mostMinutes,
        public int $preference,
        public bool $otherSideReachable,
    ) {
    }
}
