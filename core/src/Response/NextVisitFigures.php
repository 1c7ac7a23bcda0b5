<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Data\Fields;

/** After how many days to come again, and how long for, from data; all practice defaults. */
final readonly class NextVisitFigures
{
    private function __construct(
        public int $acuteDays,
        public int $firstDays,
        public int $soreDays,
        public int $reassessDays,
        public int $usualDays,
        public int $easingDays,
        public int $spaceOutDays,
        public int $leastMinutes,
        public int $minutesStep,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->int('acute_days'), $f->int('first_days'), $f->int('sore_days'), $f->int('reassess_days'), $f->int('usual_days'),
            $f->int('easing_days'), $f->int('space_out_days'), $f->int('least_minutes'), $f->int('minutes_step'),
        );
    }
}
