<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

final readonly class Technique
{
    /**
     * @param  list<string>  $tools  the only tools it can be done with; empty when any of the muscle's serves
     * @param  bool  $fine  works on a spot, so that a broad tool misses it
     * @param  Span|null  $pressure  felt, from the least that does anything; null where nothing is pressed
     * @param  float|null  $robustPressure  the upper end in robust tissue
     * @param  list<string>  $wants  what has to be so before it: warm, slack, a point that was found …
     * @param  list<Dose>  $doses
     * @param  string|null  $branch  the question it ends in
     * @param  string  $movesAs  the technique whose movements serve it
     * @param  string  $say  the words that ask for it
     * @param  string  $leave  how to come out of it
     * @param  list<string>  $ends  what ends it early
     * @param  list<string>  $steps
     * @param  list<string>  $stages  of tissue in which it is allowed
     * @param  string  $kind  stroke, rhythm, hold, moved, client_moves, held, grip or joint
     * @param  bool  $broad  goes over an area rather than to one place
     * @param  bool  $sustained  stays on one place for long
     * @param  list<NotWith>  $notWith  what it is not used with, and where; the safety gate holds it to that
     * @param  non-empty-list<string>  $products  oil, ice or glove, preferred first
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $clinical,
        public string $kind,
        public bool $broad,
        public bool $sustained,
        public array $tools,
        public bool $onStretch,
        public bool $fine,
        public Skin $skin,
        public ?Span $pressure,
        public ?float $robustPressure,
        public array $wants,
        public array $doses,
        public ?string $branch,
        public string $what,
        public array $steps,
        public string $say,
        public string $leave,
        public array $ends,
        public array $stages,
        public array $notWith,
        public array $products,
        public string $source,
        public string $movesAs,
    ) {
    }

    public static function from(Fields $row): self
    {
        $products = $row->strings('products');

        return new self(
            $row->string('id'), $row->string('name'), $row->string('clinical'), $row->string('kind'), $row->bool('broad'),
            $row->bool('sustained'),
            $row->strings('tools'), $row->bool('on_stretch'), $row->bool('fine'),
            Skin::from($row->string('skin')), Span::orNull($row, 'pressure'), $row->floatOrNull('robust_pressure'), $row->strings('wants'),
            $row->map('doses', Dose::from(...)), $row->stringOrNull('branch'), $row->string('what'), $row->strings('steps'),
            $row->string('say'), $row->string('leave'), $row->strings('ends'),
            $row->strings('stages'), $row->map('not_with', NotWith::from(...)),
            $products === [] ? throw UnknownId::in('product', '') : $products, $row->string('source'),
            $row->stringOrNull('moves_as') ?? $row->string('id'),
        );
    }

    /** The dose for what it is done to; without one of its own the first, which is the usual. */
    public function dose(DoseFor ...$for): Dose
    {
        foreach ($for as $one) {
            foreach ($this->doses as $dose) {
                if ($dose->for === $one) {
                    return $dose;
                }
            }
        }

        return $this->doses[0];
    }

    /** All its doses in words, for who reads about it. */
    public function doseWords(): string
    {
        return ucfirst(implode('; ', array_map(static fn (Dose $dose): string => $dose->words(), $this->doses)));
    }
}
