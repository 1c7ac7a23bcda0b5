<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One movement: its unit, what is usual, what is possible, and how far a repeat may stray. */
final readonly class Movement
{
    private function __construct(
        public string $id,
        public string $name,
        public string $unit,
        public bool $paired,
        public float $norm,
        public float $min,
        public float $max,
        public float $measurementError,
        public bool $largerIsBetter,
        public string $measure,
        public float $minutes,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('unit'), $row->string('sides') === 'pair',
            $row->float('norm'), $row->float('min'), $row->float('max'), $row->float('measurement_error'),
            $row->string('better') === 'larger', $row->string('measure'), $row->float('minutes'),
        );
    }

    /** How far this value falls short of the better one, in the movement's unit; negative when it goes beyond. */
    public function shortfall(float $value, float $reference): float
    {
        return $this->largerIsBetter ? $reference - $value : $value - $reference;
    }
}
