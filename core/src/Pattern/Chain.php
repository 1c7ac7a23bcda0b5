<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;

/** Something found in one place that would keep up the trouble in another. A way to read the findings, not one more piece of evidence. */
final readonly class Chain
{
    /**
     * @param  'short_pulls'|'stiff'|'busy_side'|'whole'|'whole_open'  $kind
     * @param  string  $title  in one sentence
     * @param  list<string>  $because  what was found
     * @param  list<MuscleAt>  $muscles  those that are short, or take part, in order from head to foot
     * @param  list<Place>  $from  where it starts
     * @param  list<Place>  $to  where it is felt
     * @param  list<string>  $against  what was found and does not fit
     * @param  list<string>  $ask  what was not looked at, and would confirm it
     * @param  list<string>  $again  what to measure again after the work
     */
    public function __construct(
        public string $kind,
        public string $title,
        public array $because,
        public array $muscles,
        public array $from,
        public array $to,
        public array $against = [],
        public array $ask = [],
        public array $again = [],
    ) {
    }

    /** Whether it is told: what is not enough is only asked further. */
    public function isTold(): bool
    {
        return $this->kind !== 'whole_open';
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $place = static fn (Place $place): array => ['zone' => $place->zone, 'side' => $place->side->value];

        return [
            'kind' => $this->kind, 'title' => $this->title, 'because' => $this->because,
            'muscles' => array_map(
                static fn (MuscleAt $at): array => ['muscle' => $at->muscle, 'side' => $at->side->value], $this->muscles,
            ),
            'from' => array_map($place, $this->from), 'to' => array_map($place, $this->to),
            'against' => $this->against, 'ask' => $this->ask, 'again' => $this->again,
        ];
    }
}
