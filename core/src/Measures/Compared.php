<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

/** What one value is beside another of the same measure. */
final readonly class Compared
{
    /**
     * @param  'usual'|'other_side'|'last'|'first'  $what
     * @param  float  $difference  this value less the other, in the unit of the measure
     * @param  bool|null  $matters  whether the change is large enough to matter; null where nobody has set what would
     */
    public function __construct(
        public string $what,
        public float $other,
        public float $difference,
        public bool $real,
        public bool $better,
        public ?bool $matters,
        public string $words,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'what' => $this->what, 'other' => $this->other, 'difference' => round($this->difference, 3), 'real' => $this->real,
            'better' => $this->better, 'matters' => $this->matters, 'words' => $this->words,
        ];
    }
}
