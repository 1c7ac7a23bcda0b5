<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One movement: its unit, what is usual, what is possible, and how far a repeat may stray. */
final readonly class Movement
{
    /**
     * @param  string  $clinical  its term in the literature
     * @param  string  $position  how the client is placed for it: a position of the table, or standing
     * @param  non-empty-list<string>  $directions  what it consists of
     * @param  list<string>  $carries  directions that come along with it, so that it lengthens what resists those too
     * @param  string  $measure  in one line
     * @param  non-empty-list<string>  $steps  how to measure it
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $clinical,
        public string $unit,
        public bool $paired,
        public float $norm,
        public float $min,
        public float $max,
        public float $measurementError,
        public bool $largerIsBetter,
        public string $position,
        public array $directions,
        public array $carries,
        public string $measure,
        public array $steps,
        public float $minutes,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        $directions = $row->strings('directions');
        $steps = $row->strings('steps');

        return new self(
            $row->string('id'), $row->string('name'), $row->string('clinical'), $row->string('unit'), $row->string('sides') === 'pair',
            $row->float('norm'), $row->float('min'), $row->float('max'), $row->float('measurement_error'),
            $row->string('better') === 'larger', $row->string('position'),
            $directions === [] ? throw UnknownId::in('direction', '') : $directions, $row->strings('carries'), $row->string('measure'),
            $steps === [] ? throw UnknownId::in('step', '') : $steps, $row->float('minutes'), $row->string('source'),
        );
    }

    /** How far this value falls short of the better one, in the movement's unit; negative when it goes beyond. */
    public function shortfall(float $value, float $reference): float
    {
        return $this->largerIsBetter ? $reference - $value : $value - $reference;
    }
}
