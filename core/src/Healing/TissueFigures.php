<?php

declare(strict_types=1);

namespace Somatrace\Core\Healing;

use Somatrace\Core\Data\Fields;

/** From when on a sign counts, from data. */
final readonly class TissueFigures
{
    /**
     * @param  list<string>  $limbGroups  groups of zones whose swelling the grade and the tape tell of
     * @param  string  $swellingTest  whose value is the grade
     * @param  list<string>  $girthTests
     */
    private function __construct(
        public float $swellingGrade, public float $girthCm, public float $painAtRest, public array $limbGroups,
        public string $swellingTest, public array $girthTests,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->float('swelling_grade'), $row->float('girth_cm'), $row->float('pain_at_rest'), $row->strings('limb_groups'),
            $row->string('swelling_test'), $row->strings('girth_tests'),
        );
    }
}
