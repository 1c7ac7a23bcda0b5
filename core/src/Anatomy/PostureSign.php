<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A posture sign and the muscles it says are short or long, as seen from the side of the sign. */
final readonly class PostureSign
{
    /**
     * @param  array<string, Relation>  $short  muscle id → side
     * @param  array<string, Relation>  $long
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $clinical,
        public bool $paired,
        public array $short,
        public array $long,
    ) {
    }

    public static function from(Fields $row): self
    {
        $muscles = static function (string $key) use ($row): array {
            $map = [];
            foreach ($row->list($key) as $entry) {
                $map[$entry->string('muscle')] = Relation::from($entry->string('side'));
            }

            return $map;
        };

        return new self(
            $row->string('id'), $row->string('name'), $row->string('clinical'), $row->string('sides') === 'pair', $muscles('short'),
            $muscles('long'),
        );
    }
}
