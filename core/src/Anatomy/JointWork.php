<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One thing the hands do to a joint. */
final readonly class JointWork
{
    /**
     * @param  list<string>  $positions  `side_up` is lying with that side upward
     * @param  list<string>  $levels  only at these; at all when empty
     * @param  list<string>  $spots  edges or parts, in order
     * @param  float  $seconds  each time, coming in and leaving included
     * @param  float|null  $pressure  the most it should feel; nothing is pressed without it
     * @param  string|null  $toward  landmark it is eased toward
     * @param  list<string>  $zones  where the hands lie for it; where the joint lies without them
     * @param  string|null  $notWithSign  what must not have been found there
     */
    private function __construct(
        public string $id,
        public string $technique,
        public array $positions,
        public array $levels,
        public array $spots,
        public string $tool,
        public float $seconds,
        public int $repeats,
        public ?float $pressure,
        public ?string $toward,
        public ?string $notWithSign,
        public string $do,
        public string $hand,
        public string $otherHand,
        public string $say,
        public string $leave,
        public array $zones,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('technique'), $row->strings('positions'), $row->strings('levels'), $row->strings('spots'),
            $row->string('tool'), $row->float('seconds'), $row->int('repeats'), $row->floatOrNull('pressure'),
            $row->stringOrNull('toward'), $row->stringOrNull('not_with_sign'), $row->string('do'), $row->string('hand'),
            $row->string('other_hand'), $row->string('say'), $row->string('leave'),
            $row->strings('zones'),
        );
    }

    public function suits(?string $level): bool
    {
        return $this->levels === [] || in_array($level, $this->levels, true);
    }
}
