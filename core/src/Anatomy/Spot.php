<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A named place inside a muscle or structure. */
final readonly class Spot
{
    /**
     * @param  bool  $gloved  in the mouth: only with a glove
     * @param  float  $along  on the muscle's own line, 0 its upper end, 1 its lower
     * @param  float  $across  -1 its inner edge, 1 its outer
     */
    private function __construct(
        public string $id, public string $name, public string $site, public float $along, public float $across, public bool $gloved,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('site'), $row->float('along'), $row->float('across'),
            $row->bool('gloved'),
        );
    }
}
