<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** How much of a technique: seconds at one spot, how often, on how many spots. */
final readonly class Dose
{
    private function __construct(
        public DoseFor $for,
        public Span $seconds,
        public Span $repeats,
        public Span $spots,
        public ?float $mostSeconds,
        public ?Span $breaths,
        public ?Span $pressure,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            DoseFor::from($row->string('to')), Span::from($row, 'seconds'), Span::from($row, 'repeats'), Span::from($row, 'spots'),
            $row->floatOrNull('most_seconds'), Span::orNull($row, 'breaths'), Span::orNull($row, 'pressure'),
        );
    }

    /** The longest one spot may be stayed on at once. */
    public function limitSeconds(): float
    {
        return max($this->seconds->most, $this->mostSeconds ?? 0);
    }

    public function words(): string
    {
        return implode(', ', array_filter([
            $this->breaths === null ? "{$this->seconds->words()} s" : "{$this->breaths->words()} breaths",
            $this->mostSeconds === null ? null : "up to {$this->mostSeconds} s",
            match ($this->for) {
                DoseFor::Area => 'an area', DoseFor::Line => 'a line', DoseFor::Grip => 'a grip', DoseFor::Joint => 'at a time',
                DoseFor::Tendon => 'on a tendon, in all', DoseFor::First => 'the first time',
                DoseFor::FirstDelicate => 'the first time in delicate places', DoseFor::Spot => 'a spot',
            },
            $this->repeats->most > 1 ? "{$this->repeats->words()} ×" : null,
            $this->spots->most > 1 ? "{$this->spots->words()} ".match ($this->for) {
                DoseFor::Area => 'areas', DoseFor::Line => 'lines', default => 'spots',
            } : null,
        ]));
    }
}
