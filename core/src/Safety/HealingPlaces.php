<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Stage;

/** Where something heals and how fresh it is, by what was said of injuries and operations; what is felt there counts beside it. */
final readonly class HealingPlaces
{
    /** @param  list<array{list<Place>, Stage}>  $known  no place stands for everywhere: nobody said where */
    public function __construct(private array $known)
    {
    }

    /** The freshest of what lies there; null where nothing heals. */
    public function at(Place $place): ?Stage
    {
        $here = array_filter(
            $this->known,
            static fn (array $one): bool => $one[0] === [] || array_filter($one[0], $place->meets(...)) !== [],
        );

        return Stage::freshest(...array_column($here, 1));
    }
}
