<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What touches the client: a part of the hand or arm, or a hand-held tool. */
final readonly class Tool
{
    /**
     * @param  string  $hand  how it is held without harm to the therapist
     * @param  string  $costs  the part of the hand its firm minutes are counted against
     * @param  bool  $isAid  held in the hand, and owned or not
     * @param  string  $load  what it costs the therapist, in words; `strain` is the same as a number
     */
    private function __construct(
        public string $id,
        public string $name,
        public float $effectiveAreaCm2,
        public float $strain,
        public int $precision,
        public float $strongestFelt,
        public string $costs,
        public bool $isAid,
        public string $hand,
        public string $load,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->float('effective_area_cm2'), $row->float('strain'),
            $row->int('precision'), $row->float('strongest_felt'), $row->string('costs'), $row->bool('aid'),
            $row->string('hand'), $row->string('load'), $row->string('source'),
        );
    }
}
