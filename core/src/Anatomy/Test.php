<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

final readonly class Test
{
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
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('result'), $row->string('sides') === 'pair',
            $row->floatOrNull('max'), $row->floatOrNull('measurement_error'), $row->string('better') === 'larger',
            $row->string('how'), $row->float('minutes'),
        );
    }
}
