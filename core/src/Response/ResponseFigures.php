<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Data\JsonFile;

/** What counts as real, quiet, sore and done, from data. */
final readonly class ResponseFigures
{
    private function __construct(
        public float $painReal,
        public float $painMattersPoints,
        public float $painMattersShare,
        public float $painLargeShare,
        public float $functionReal,
        public float $functionMeanReal,
        public float $pptNeckKpa,
        public float $pptShinKpa,
        public float $pptShare,
        public float $pptSideKpa,
        public float $tendernessReal,
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
        public float $toleranceSorenessHours,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/response.json");
        $measures = $file->fields('measures');
        $ppt = $measures->fields('ppt');

        return new self(
            $measures->fields('pain')->float('real'), $measures->fields('pain')->float('matters_points'), $measures->fields('pain')->float('matters_share'), $measures->fields('pain')->float('large_share'),
            $measures->fields('function')->float('real_one'), $measures->fields('function')->float('real_mean'),
            $ppt->float('neck_kpa'), $ppt->float('shin_kpa'), $ppt->float('share'), $ppt->float('side_kpa'), $measures->fields('tenderness')->float('real'),
            $file->float('sore_regress_hours'), $file->float('sore_hold_hours'), $file->int('quiet_tenderness'), $file->int('quiet_visits'),
            $file->int('reassess_visits'), $file->int('reassess_days'), $file->int('refer_after_more_visits'), $file->int('swelling_days'),
            $file->float('goal_pain'), $file->int('goal_visits'), $file->float('tolerance_soreness_hours'),
        );
    }
}
