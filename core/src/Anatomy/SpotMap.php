<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** Where a muscle is worked: its spots, and the lines strokes go along, from landmark to landmark. */
final readonly class SpotMap
{
    /**
     * @param  array<string, Spot>  $spots  by id, in the order of the muscle's line
     * @param  non-empty-list<array{from: string, to: string}>  $lines
     */
    private function __construct(public string $muscle, public array $spots, public array $lines)
    {
    }

    public static function from(Fields $row): self
    {
        $spots = $row->map('spots', Spot::from(...));
        $lines = $row->map('lines', static fn (Fields $line): array => ['from' => $line->string('from'), 'to' => $line->string('to')]);

        return new self(
            $row->string('muscle'), array_column(array_map(static fn (Spot $spot): array => [$spot->id, $spot], $spots), 1, 0),
            $lines === [] ? throw new \LogicException("{$row->pointer}/lines is empty.") : $lines,
        );
    }

    /** @return list<Spot> those of a site; all of them without one */
    public function at(?string $site): array
    {
        return array_values(array_filter($this->spots, static fn (Spot $spot): bool => $site === null || $spot->site === $site));
    }
}
