<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** How it was so many hours after a visit; what was not asked is null. */
final readonly class Aftermath
{
    /**
     * @param  list<TaskScore>  $function
     * @param  list<string>  $worrying
     */
    public function __construct(
        public int $hours,
        public ?float $soreness = null,
        public ?float $sorenessHours = null,
        public ?float $pain = null,
        public ?bool $worse = null,
        public ?float $homeCareDone = null,
        public array $function = [],
        public array $worrying = [],
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->int('hours'), $f->floatOrNull('soreness'), $f->floatOrNull('soreness_hours'), $f->floatOrNull('pain'),
            $f->boolOrNull('worse'),
            $f->floatOrNull('home_care_done'), $f->map('function', TaskScore::from(...)), $f->strings('worrying'),
        );
    }
}
