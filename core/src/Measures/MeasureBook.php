<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\TaskScore;

/** Lays every measure of a case out as a series over its visits; today's findings are the last point. */
final class MeasureBook
{
    private const MDC95 = 1.96 * M_SQRT2;

    /**
     * @var array<string, array{key: string, name: string, unit: string, side: Side, series: list<array{string, float}>, mdc: float,
     * larger: bool, squares: list<float>, degrees: int}>
     */
    private array $rows = [];

    public function __construct(private readonly Atlas $atlas, private readonly MeasureFigures $figures)
    {
    }

    /** @return list<Measure> in the order of their keys and sides */
    public function of(CaseFile $case): array
    {
        $this->rows = [];
        foreach ($case->history as $visit) {
            $this->read($visit->date->format('Y-m-d'), $visit->findings);
        }
        $this->read($case->asOf->format('Y-m-d'), $case->findings);
        ksort($this->rows);

        return array_values(array_map($this->measure(...), $this->rows));
    }

    /** @return array<string, Measure> what one set of findings measured, by key and side */
    public function readings(Findings $findings): array
    {
        $this->rows = [];
        $this->read('', $findings);

        return array_map($this->measure(...), $this->rows);
    }

    private function read(string $date, Findings $findings): void
    {
        foreach ($findings->complaints as $complaint) {
            if ($complaint->now === null) {
                continue;
            }
            $this->point(
                "complaint.{$complaint->zone}", 'Pain: '.$this->atlas->zone($complaint->zone)->name, '0–10', $complaint->side, $date,
                $complaint->now, $this->figures->painReal, false,
            );
        }
        $scored = array_filter($findings->function, static fn (TaskScore $task): bool => $task->score !== null);
        foreach ($scored as $task) {
            $this->point(
                "function.{$task->task}", ucfirst($task->task), '0–10', Side::Midline, $date, (float) $task->score,
                $this->figures->functionReal, true,
            );
        }
        // the mean of several tasks strays less than one of them
        if (count($scored) > 1) {
            $scores = array_map(static fn (TaskScore $task): float => (float) $task->score, $scored);
            $this->point(
                'tasks.mean', 'All tasks, mean', '0–10', Side::Midline, $date, array_sum($scores) / count($scores),
                $this->figures->functionMeanReal, true,
            );
        }
        foreach ($findings->range as $range) {
            $movement = $this->atlas->movement($range->movement);
            foreach (['active' => $range->active, 'passive' => $range->passive] as $kind => $value) {
                if ($value !== null) {
                    $this->point(
                        "range.{$movement->id}.$kind", $movement->name.($kind === 'active' ? self::mark($range->simulated) : ''),
                        $movement->unit, $range->side, $date, $value, $movement->measurementError, $movement->largerIsBetter,
                        $kind === 'active' ? $range->repeats : [],
                    );
                }
            }
            if ($range->pain !== null) {
                $this->point(
                    "range.{$movement->id}.pain", "{$movement->name}, pain on it", '0–10', $range->side, $date, $range->pain,
                    $this->figures->painReal, false,
                );
            }
        }
        foreach ($findings->tests as $test) {
            $row = $this->atlas->test($test->test);
            if ($test->value !== null) {
                $this->point(
                    "test.{$test->test}".($test->segment === null ? '' : '.'.$test->segment), $row->name.self::mark($test->simulated),
                    $row->result, $test->side, $date, $test->value, $row->measurementError ?? 1, $row->largerIsBetter, $test->repeats,
                );
            }
        }
        foreach ($findings->palpation as $felt) {
            $key = "palpation.{$felt->muscle}.".($felt->site ?? 'whole').($felt->spot === null ? '' : ".{$felt->spot}");
            $name = $this->atlas->muscle($felt->muscle)->name.($felt->spot === null ? '' : ', '.str_replace('_', ' ', $felt->spot));
            if ($felt->tenderness !== null) {
                $this->point(
                    "$key.tenderness", "$name, tenderness", '0–4', $felt->side, $date, (float) $felt->tenderness,
                    $this->figures->tendernessReal, false,
                );
            }
            if ($felt->pptKpa !== null) {
                $this->point(
                    "$key.ppt", "$name, pressure-pain threshold".self::mark($felt->simulated), 'kPa', $felt->side, $date, $felt->pptKpa,
                    $this->pptMdc($felt->muscle, $felt->pptKpa), true, $felt->pptRepeatsKpa,
                );
            }
        }
    }

    /** What a stand-in gave is told as such wherever it is told. */
    private static function mark(bool $simulated): string
    {
        return $simulated ? ' (simulated)' : '';
    }

    private function pptMdc(string $muscle, float $first): float
    {
        $zones = $this->atlas->muscle($muscle)->zones;
        $in = fn (string $set): bool => array_intersect($zones, $this->atlas->zoneSets[$set] ?? []) !== [];

        return match (true) {
            $in('neck') => $this->figures->pptNeckKpa,
            $in('shin') => $this->figures->pptShinKpa,
            default => $this->figures->pptShare * $first,
        };
    }

    /** @param  list<float>  $repeats */
    private function point(
        string $key,
        string $name,
        string $unit,
        Side $side,
        string $date,
        float $value,
        float $mdc,
        bool $larger,
        array $repeats = [],
    ): void {
        $id = "$key|{$side->value}";
        $this->rows[$id] ??= [
            'key' => $key, 'name' => $name, 'unit' => $unit, 'side' => $side, 'series' => [], 'mdc' => $mdc, 'larger' => $larger,
            'squares' => [], 'degrees' => 0,
        ];
        $this->rows[$id]['name'] = str_ends_with($name, ' (simulated)') ? $name : $this->rows[$id]['name'];
        $this->rows[$id]['series'][] = [$date, $value];
        if (count($repeats) > 1) {
            $mean = array_sum($repeats) / count($repeats);
            foreach ($repeats as $repeat) {
                $this->rows[$id]['squares'][] = ($repeat - $mean) ** 2;
            }
            $this->rows[$id]['degrees'] += count($repeats) - 1;
        }
    }

    /**
     * @param  array{key: string, name: string, unit: string, side: Side, series: list<array{string, float}>, mdc: float, larger: bool,
     * squares: list<float>, degrees: int}  $row
     */
    private function measure(array $row): Measure
    {
        $sem = $row['degrees'] > 0 ? sqrt(array_sum($row['squares']) / $row['degrees']) : 0.0;

        return new Measure(
            $row['key'], $row['name'], $row['unit'], $row['side'], $row['series'],
            // repeats that happen to agree exactly prove no perfect instrument
            $sem > 0 ? self::MDC95 * $sem : $row['mdc'],
            $sem > 0 ? 'repeats' : 'default',
            $row['larger'],
        );
    }
}
