<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What is asked for by itself, every visit: the muscles, zones, techniques and set-ups it covers. */
final readonly class ConsentArea
{
    /**
     * @param  string  $words  what is worked on, in the client's words
     * @param  string  $ask  how it is asked, word for word
     * @param  string  $name  short, for a list
     * @param  string  $words  as it is asked for
     * @param  list<string>  $muscles
     * @param  list<string>  $zones
     * @param  list<string>  $techniques
     * @param  list<string>  $setups
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $words,
        public string $ask,
        public array $muscles,
        public array $zones,
        public array $techniques,
        public array $setups,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('words'), $row->string('ask'),
            $row->strings('muscles'), $row->strings('zones'), $row->strings('techniques'), $row->strings('setups'),
        );
    }
}
