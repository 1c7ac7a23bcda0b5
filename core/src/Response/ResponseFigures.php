<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Measures\MeasureFigures;

/** What counts as real, quiet, sore and done, from data. */
final readonly class ResponseFigures
{
    /**
     * @param  float  $calmPain  0–10, from which on it counts as calm
     * @param  float  $taskGoal  0–10, from which on a task counts as going again
     * @param  array<string, array{half_days: float, rest: float}>  $lines  by stage: in how many days what can ease halves, and what stays
     * @param  float  $linePace  so many times faster or slower is still usual
     * @param  float  $priorSpread  how far work of one kind differs from no change, in changes that are real, before anything was seen
     * @param  float  $visitSpread  how far the same work differs from visit to visit
     * @param  list<float>  $pressureBands  where a band of pressure begins, 0–10
     * @param  float  $progressHours  of soreness, up to which nothing speaks against a step further
     * @param  float  $astray  share of many movements that may really differ by chance alone
     * @param  int  $worseVisits  on so many readings in a row worse is not a bad day
     * @param  float  $doseStep  so many times the dose is a step further
     * @param  array<string, array{name: string, expect: string}>  $phases
     */
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
        public float $calmPain,
        public float $taskGoal,
        public array $lines,
        public float $linePace,
        public float $priorSpread,
        public float $visitSpread,
        private array $pressureBands,
        public float $doseStep,
        public int $worseVisits,
        public float $astray,
        public float $progressHours,
        public array $phases,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/response.json");
        [$line, $attribution, $phases] = [$file->fields('line'), $file->fields('attribution'), $file->fields('phases')];
        $lines = $told = [];
        foreach ($line->fields('stages')->keys() as $stage) {
            $row = $line->fields('stages')->fields($stage);
            $lines[$stage] = ['half_days' => $row->float('half_days'), 'rest' => $row->float('rest')];
        }
        foreach ($phases->keys() as $phase) {
            $told[$phase] = ['name' => $phases->fields($phase)->string('name'), 'expect' => $phases->fields($phase)->string('expect')];
        }

        return new self(
            MeasureFigures::from($file->fields('measures')),
            $file->float('sore_regress_hours'), $file->float('sore_hold_hours'), $file->int('quiet_tenderness'), $file->int('quiet_visits'),
            $file->int('reassess_visits'), $file->int('reassess_days'), $file->int('refer_after_more_visits'), $file->int('swelling_days'),
            $file->float('goal_pain'), $file->int('goal_visits'), NextVisitFigures::from($file->fields('next_visit')),
            $file->float('calm_pain'), $file->float('task_goal'), $lines, $line->float('pace'), $attribution->float('prior_spread'),
            $attribution->float('visit_spread'), $attribution->floats('pressure_bands'), $file->float('dose_step'),
            $file->int('worse_visits'), $file->float('astray_share'),
            $file->float('sore_progress_hours'), $told,
        );
    }

    /** The band a pressure lies in, as it is read: "0–3", "4–5", "6–10". */
    public function pressureBand(float $pressure): string
    {
        $band = 0;
        foreach ($this->pressureBands as $index => $from) {
            $band = $pressure >= $from ? $index : $band;
        }
        $until = $this->pressureBands[$band + 1] ?? 11;

        return $this->pressureBands[$band].'–'.($until - 1);
    }

    /** How many of so many movements must differ before it is more than chance: one of a few, three of twenty. */
    public function beyondChance(int $measured): int
    {
        return 1 + (int) floor($measured * $this->astray);
    }
}
