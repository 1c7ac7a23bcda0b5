<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** How a region is worked: its stages in order. */
final readonly class Routine
{
    /**
     * @param  list<string>  $regions  of the body, as the plan counts them
     * @param  string|null  $position  the only position it is meant for
     * @param  string|null  $setup  how the limb lies throughout
     * @param  array<string, list<string>>  $school  choices it belongs to, by question
     * @param  float|null  $mostFelt  nothing in it may feel stronger
     * @param  bool  $alwaysBoth  both sides, whatever the school
     * @param  list<RoutineStage>  $stages
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $regions,
        public ?string $position,
        public ?string $setup,
        public array $school,
        public ?float $mostFelt,
        public bool $alwaysBoth,
        public array $stages,
    ) {
    }

    public static function from(Fields $row): self
    {
        $school = $row->fields('school');

        return new self(
            $row->string('id'), $row->string('name'), $row->strings('regions'), $row->stringOrNull('position'),
            $row->stringOrNull('setup'), array_combine($school->keys(), array_map($school->strings(...), $school->keys())),
            $row->floatOrNull('most_felt'), $row->bool('always_both'), $row->map('stages', RoutineStage::from(...)),
        );
    }
}
