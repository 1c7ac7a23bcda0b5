<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Data\Fields;

/** The most minutes the muscles of a region are worked in a visit together. */
final readonly class RegionTotal
{
    /**
     * @param  bool  $eachSide  for each side; both together without it
     * @param  list<string>  $muscles
     */
    private function __construct(
        public string $id,
        public string $name,
        private float $minutes,
        private float $first,
        private bool $eachSide,
        public array $muscles,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->float('minutes'), $row->float('first'), $row->bool('each_side'),
            $row->strings('muscles'),
        );
    }

    /** What the work on a muscle is counted with; null where it is none of these. */
    public function part(MuscleAt $at): ?string
    {
        return in_array($at->muscle, $this->muscles, true) ? $this->id.($this->eachSide ? ':'.$at->side->value : '') : null;
    }

    public function most(Exposed $exposed): float
    {
        return array_intersect($this->muscles, $exposed->muscles()) === [] ? $this->first : $this->minutes;
    }
}
