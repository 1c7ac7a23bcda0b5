<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Safety\ConditionTissue;
use Somatrace\Core\Safety\SafetyRules;

/** Draws the expected line of the worst complaint of the first visit: it halves toward a rest, in days by stage (practice default). */
final readonly class LineDrawer
{
    public function __construct(private ResponseFigures $figures, private ConditionTissue $tissue, private SafetyRules $rules)
    {
    }

    /** @return CourseLine|null null where no pain was ever asked */
    public function of(CaseFile $case): ?CourseLine
    {
        $visits = [
            ...array_map(static fn ($visit): array => [$visit->date, $visit->findings], $case->history), [$case->asOf, $case->findings],
        ];
        $worst = $start = null;
        foreach ($visits as [$date, $findings]) {
            foreach ($findings->complaints as $complaint) {
                if ($complaint->now !== null && ($worst === null || $complaint->now > $worst->now)) {
                    [$worst, $start] = [$complaint, $date];
                }
            }
            if ($worst !== null) {
                break;
            }
        }
        if ($worst === null || $start === null) {
            return null;
        }
        $stage = $this->stage($case, $worst, $start);
        $points = [];
        $verdict = 'unknown';
        foreach ($visits as [$date, $findings]) {
            $days = Dates::days($start, $date);
            if ($days < 0) {
                continue;
            }
            $point = [
                'date' => $date->format('Y-m-d'), 'actual' => $this->actual($findings, $worst),
                ...$this->expected((float) $worst->now, $days, $stage),
            ];
            $points[] = $point;
            if ($point['actual'] !== null && $days > 0) {
                $verdict = match (true) {
                    $point['actual'] < $point['low'] => 'ahead',
                    $point['actual'] > $point['high'] => 'behind',
                    default => 'within',
                };
            }
        }

        return new CourseLine("complaint.{$worst->zone}|{$worst->side->value}", $stage, $points, $verdict);
    }

    /** @return array{expected: float, low: float, high: float} on 0–10 */
    private function expected(float $first, int $days, ?Stage $stage): array
    {
        $lines = $this->figures->lines;
        // who does not know the stage knows only what lies between the fastest and the slowest
        $of = $stage === null ? $lines : [$lines[$stage->value] ?? $lines[Stage::Late->value]];
        $slack = $days === 0 ? 0.0 : $this->figures->measures->painReal / 2;
        [$middle, $low, $high] = [0.0, 10.0, 0.0];
        foreach ($of as ['half_days' => $half, 'rest' => $rest]) {
            $at = static fn (float $pace): float => $first * ($rest + (1 - $rest) * 0.5 ** ($days * $pace / $half));
            $middle += $at(1) / count($of);
            [$low, $high] = [min($low, $at($this->figures->linePace)), max($high, $at(1 / $this->figures->linePace))];
        }

        return ['expected' => $middle, 'low' => max(0.0, $low - $slack), 'high' => min(10.0, $high + $slack)];
    }

    /** Signs first, then since when it hurts. */
    private function stage(CaseFile $case, Complaint $worst, \DateTimeImmutable $start): ?Stage
    {
        $signs = $this->tissue->at($worst->place(), $case)->stage;
        if ($worst->since === null) {
            return $signs;
        }
        $days = Dates::days($worst->since, $start);
        $byDays = match (true) {
            $days <= $this->rules->acuteDays => Stage::Acute,
            $days <= $this->rules->subacuteDays => Stage::Subacute,
            default => Stage::Late,
        };

        return Stage::freshest($signs, $byDays);
    }

    private function actual(Findings $findings, Complaint $of): ?float
    {
        foreach ($findings->complaints as $complaint) {
            if ($complaint->place()->key() === $of->place()->key()) {
                return $complaint->now;
            }
        }

        return null;
    }
}
