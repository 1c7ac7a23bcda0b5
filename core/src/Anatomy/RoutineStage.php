<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One stage of a routine: what is worked there and how. */
final readonly class RoutineStage
{
    /**
     * @param  string  $when  prepare: before the work of the region; found: where what it names is worked; rest: instead of a broad stroke
     * @param  list<string>  $muscles
     * @param  list<string>  $joints  kinds
     * @param  list<string>  $zones
     * @param  bool  $both  on both sides
     * @param  list<string>  $asks  neighbours that belong to the work: felt first where nobody felt them
     * @param  bool  $inOrder  what is done is done in the order of the ways, whatever the situation would do first
     * @param  int|null  $fromMinutes  only in a visit at least so long
     * @param  list<Way>  $ways
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $when,
        public array $muscles,
        public array $joints,
        public array $zones,
        public bool $both,
        public ?int $fromMinutes,
        public array $ways,
        public array $asks,
        public bool $inOrder,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('when'), $row->strings('muscles'), $row->strings('joints'),
            $row->strings('zones'), $row->bool('both'), $row->intOrNull('minutes_from'), $row->map('ways', Way::from(...)),
            $row->strings('asks'), $row->bool('in_order'),
        );
    }
}
