<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

/** One number measured at one visit, under its key of the open result format (`range.cervical.rotation.active`). */
final readonly class MeasureRow
{
    public function __construct(
        public string $date,
        public string $phase,
        public string $key,
        public string $side,
        public int|float $value,
        public string $unit,
    ) {
    }

    /** @return array{date: string, phase: string, key: string, side: string, value: int|float, unit: string} */
    public function toArray(): array
    {
        return [
            'date' => $this->date, 'phase' => $this->phase, 'key' => $this->key, 'side' => $this->side, 'value' => $this->value,
            'unit' => $this->unit,
        ];
    }
}
