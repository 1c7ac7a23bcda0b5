<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Measures\MeasureFigures;

/** What counts as real, quiet, sore and done, from data. */
final readonly class ResponseFigures
{
    private function __construct(
        public MeasureFigures $measures,
        public float $regressHours,
        public float $holdHours,
        public int $quietTenderness,
        public int $quietVisits,
        public int $reassessVisits,
        public int $reassessDays,
        public int $referAfter,
        public int $swellingDays,
        public float $goalPain,
        public int $goalVisits,
        public NextVisitFigures $nextVisit,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/response.json");

        return new self(
            MeasureFigures::from($file->fields('measures')),
            $file->float('sore_regress_hours'), $file->float('sore_hold_hours'), $file->int('quiet_tenderness'), $file->int('quiet_visits'),
            $file->int('reassess_visits'), $file->int('reassess_days'), $file->int('refer_after_more_visits'), $file->int('swelling_days'),
            $file->float('goal_pain'), $file->int('goal_visits'), NextVisitFigures::from($file->fields('next_visit')),
        );
    }
}
