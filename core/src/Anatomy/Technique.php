<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

final readonly class Technique
{
    /**
     * @param  list<string>  $tools  the only tools it can be done with; empty when any of the muscle's serves
     * @param  bool  $fine  works on a spot, so that a broad tool misses it
     * @param  array{float, float}|null  $holdSeconds  shortest and longest useful hold
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
        public string $kind,
        public bool $broad,
        public bool $sustained,
        public array $tools,
        public bool $onStretch,
        public bool $fine,
        public ?array $holdSeconds,
        public string $what,
        public array $steps,
        public string $dose,
        public array $stages,
        public array $notWith,
        public array $products,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        $hold = $row->floats('hold_seconds');
        $products = $row->strings('products');

        return new self(
            $row->string('id'), $row->string('name'), $row->string('kind'), $row->bool('broad'), $row->bool('sustained'),
            $row->strings('tools'), $row->bool('on_stretch'), $row->bool('fine'),
            count($hold) === 2 ? [$hold[0], $hold[1]] : null, $row->string('what'), $row->strings('steps'), $row->string('dose'),
            $row->strings('stages'), $row->map('not_with', NotWith::from(...)),
            $products === [] ? throw UnknownId::in('product', '') : $products, $row->string('source'),
        );
    }

    /** Only past the sub-acute stage. */
    public function isLateStageOnly(): bool
    {
        return array_intersect(['acute', 'subacute'], $this->stages) === [];
    }
}
