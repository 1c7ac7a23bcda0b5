<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A finding that makes a joint a target: a test or glide of so little or so much, a movement cut short with such an end, or a pattern. */
final readonly class JointStart
{
    /**
     * @param  float|null  $most  stiff at this or less
     * @param  float|null  $least  meant from this on
     * @param  list<string>  $levels  only at these; at all when empty
     * @param  list<string>  $endFeels  of a movement that is short
     * @param  list<string>  $pattern  movements short in this order, the first most
     */
    private function __construct(
        public ?string $test,
        public ?string $movement,
        public ?string $short,
        public ?float $most,
        public ?float $least,
        public array $levels,
        public array $endFeels,
        public array $pattern,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->stringOrNull('test'), $row->stringOrNull('movement'), $row->stringOrNull('short'), $row->floatOrNull('most'),
            $row->floatOrNull('least'), $row->strings('levels'), $row->strings('end_feels'), $row->strings('pattern'),
        );
    }

    /**
     * Whether a test that named this level, or none, speaks of a joint there.
     *
     * @param  string|null  $level  of the joint; null where it has none
     * @param  string|null  $named  by the finding
     */
    public function speaksOf(?string $level, ?string $named): bool
    {
        return $level === null
            || (($this->levels === [] || in_array($level, $this->levels, true)) && ($named === null || $named === $level));
    }
}
