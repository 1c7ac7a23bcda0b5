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

    /** What a technique that no part of the work names is done as, when it is chosen by hand. */
    public static function byHand(string $technique): self
    {
        return new self('by_hand', [$technique], [], null, null, true, false, false, 'Chosen by hand.');
    }

    /** With that technique and no other. */
    public function only(string $technique): self
    {
        return new self(
            $this->id, [$technique], $this->doses, $this->mostFelt, $this->mostSpots, $this->isOwn, $this->isOnlyByRoutine,
            $this->isNotDelicate, $this->because,
        );
    }

    /** Slots that are filled alike have the same key. */
    public function key(): string
    {
        return $this->id.'|'.implode(',', $this->techniques);
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
