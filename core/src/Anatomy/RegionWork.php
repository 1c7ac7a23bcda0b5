<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** How the work of a region begins and ends. */
final readonly class RegionWork
{
    /**
     * @param  list<string>  $warm  zones
     * @param  float  $mostMinutes  of its warm-up
     * @param  list<list<string>>  $warmOver  groups of zones its words name: they are said where the hand comes to one of each
     * @param  list<string>  $finish  zones, on to the next joint
     * @param  list<list<string>>  $finishOver
     */
    private function __construct(
        public string $region, public array $warm, public float $mostMinutes, public string $warmDo, public array $warmOver,
        public array $finish, public string $finishDo, public array $finishOver,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('region'), $row->strings('warm'), $row->float('most_minutes'), $row->string('warm_do'), $row->lists('warm_over'),
            $row->strings('finish'), $row->string('finish_do'), $row->lists('finish_over'),
        );
    }
}
