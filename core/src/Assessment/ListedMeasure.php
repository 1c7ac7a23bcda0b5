<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

/** One measure on the list of a visit. */
final readonly class ListedMeasure
{
    /**
     * @param  'range'|'resisted'|'test'  $kind
     * @param  string  $unit  deg, mm, cm, kg, glide, grade, result, s, times, or strength
     * @param  string  $position  standing, or a family of positions
     * @param  bool  $last  measured at the last visit
     * @param  bool  $nerve  listed because a complaint feels like a nerve
     * @param  Refusal|null  $refused  why it is not done today
     */
    public function __construct(
        public string $kind,
        public string $id,
        public string $name,
        public string $unit,
        public bool $paired,
        public string $position,
        public float $minutes,
        public bool $last,
        public bool $nerve,
        public ?Refusal $refused,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind, 'id' => $this->id, 'name' => $this->name, 'unit' => $this->unit, 'paired' => $this->paired,
            'position' => $this->position, 'minutes' => $this->minutes, 'last' => $this->last, 'nerve' => $this->nerve,
            'refused' => $this->refused?->toArray(),
        ];
    }
}
