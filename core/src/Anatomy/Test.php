<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A special check: how it is done, what is usual, what an unusual answer says, and when it is never done. */
final readonly class Test
{
    /**
     * @param  string  $usual  the usual answer, in words
     * @param  string  $position  how the client is placed for it: a position of the table, or standing
     * @param  list<string>  $steps
     * @param  list<string>  $neverWhen
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $result,
        public bool $paired,
        public ?float $max,
        public ?float $measurementError,
        public bool $largerIsBetter,
        public string $how,
        public float $minutes,
        public string $usual,
        public string $position,
        public array $steps,
        public string $means,
        public array $neverWhen,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('result'), $row->string('sides') === 'pair',
            $row->floatOrNull('max'), $row->floatOrNull('measurement_error'), $row->string('better') === 'larger',
            $row->string('how'), $row->float('minutes'), $row->string('usual'), $row->string('position'), $row->strings('steps'),
            $row->string('means'), $row->strings('never_when'), $row->string('source'),
        );
    }
}
