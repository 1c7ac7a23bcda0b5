<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\DoseFor;
use Somatrace\Core\Data\Fields;

/** A part of a composition: which techniques may fill it, the preferred first, and why it is there. */
final readonly class Slot
{
    /**
     * @param  list<string>  $techniques
     * @param  list<DoseFor>  $doses  the doses that are meant, preferred first; the technique's usual one when empty
     * @param  float|null  $mostFelt  felt pressure it never goes over
     * @param  bool  $isOwn  only with a technique the muscle itself lists
     * @param  bool  $isNotDelicate  not on delicate tissue
     * @param  bool  $isOnlyByRoutine  only where a routine tells how
     */
    private function __construct(
        public string $id,
        public array $techniques,
        public array $doses,
        public ?float $mostFelt,
        public ?int $mostSpots,
        public bool $isOwn,
        public bool $isOnlyByRoutine,
        public bool $isNotDelicate,
        public string $because,
    ) {
    }

    public static function from(string $id, Fields $row): self
    {
        return new self(
            $id, $row->strings('techniques'), array_map(DoseFor::from(...), $row->strings('doses')), $row->floatOrNull('most_felt'),
            $row->intOrNull('most_spots'), $row->bool('own'), $row->bool('only_by_routine'), $row->bool('not_delicate'),
            $row->string('because'),
        );
    }
}
