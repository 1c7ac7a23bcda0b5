<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Data\Fields;

/** What speaks for "none of these", and how strongly, from data. */
final readonly class NoneFigures
{
    /** @param  list<string>  $nerveQualities */
    private function __construct(
        public int $examinedMovements,
        public int $examinedMuscles,
        public float $lead,
        public float $leadFrom,
        public float $nerveQuality,
        public float $nerveWeak,
        public float $nerveTests,
        public float $notOwn,
        public array $nerveQualities,
        public float $unexplained,
        public float $hardEnd,
        public float $nightWaking,
        public float $outOfProportion,
        public float $strongPain,
        public float $silent,
        public int $silentMuscles,
        public string $nightTest,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->int('examined_movements'), $row->int('examined_muscles'), $row->float('lead'),
            $row->float('lead_from'), $row->float('nerve_quality'), $row->float('nerve_weak'), $row->float('nerve_tests'),
            $row->float('not_own'), $row->strings('nerve_qualities'), $row->float('unexplained'),
            $row->float('hard_end'),
            $row->float('night_waking'), $row->float('out_of_proportion'), $row->float('strong_pain'), $row->float('silent'),
            $row->int('silent_muscles'), $row->string('night_test'),
        );
    }
}
