<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

/** What to measure and feel at this visit, in the order in which the client turns least. */
final readonly class Worklist
{
    /**
     * @param  list<string>  $regions
     * @param  list<ListedMeasure>  $measures
     * @param  list<ListedMuscle>  $muscles
     */
    public function __construct(
        public array $regions,
        public bool $full,
        public ?string $position,
        public array $measures,
        public array $muscles,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'regions' => $this->regions, 'full' => $this->full, 'position' => $this->position,
            'measures' => array_map(static fn (ListedMeasure $one): array => $one->toArray(), $this->measures),
            'muscles' => array_map(static fn (ListedMuscle $one): array => $one->toArray(), $this->muscles),
        ];
    }
}
