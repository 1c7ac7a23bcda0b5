<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What makes a complaint worse or better and is no movement and no demand of the days. */
final readonly class Situation
{
    /**
     * @param  string  $name  as it follows "worse with", or "worse" where it is a time
     * @param  bool  $when  a time, such as "at night"
     * @param  bool  $loads  loads or unloads tissue: pain that answers to it is mechanical
     * @param  list<string>  $worse  groups of zones it is asked of as what worsens
     * @param  list<string>  $better  groups of zones it is asked of as what eases
     */
    private function __construct(
        public string $id,
        public string $name,
        public bool $when,
        public bool $loads,
        public array $worse,
        public array $better,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->bool('when'), $row->bool('loads'), $row->strings('worse'),
            $row->strings('better'),
        );
    }
}
