<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A place on the skeleton that a finger finds, or, where it is not palpable, knows of. */
final readonly class Landmark
{
    /**
     * @param  non-empty-list<string>  $zones  the skin over it
     * @param  list<string>  $views  of the figure on which it is drawn: front, back, sides, inner, sole, armpit, mouth
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $plain,
        public array $zones,
        public bool $midline,
        public bool $palpable,
        public string $find,
        public array $views,
    ) {
    }

    public static function from(Fields $row): self
    {
        $zones = $row->strings('zones');

        return new self(
            $row->string('id'), $row->string('name'), $row->string('plain'), $zones === [] ? throw UnknownId::in('zone', '') : $zones,
            $row->bool('midline'), $row->bool('palpable'), $row->string('find'), $row->strings('views'),
        );
    }
}
