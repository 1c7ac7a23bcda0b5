<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\PalpationFinding;

/** Which treated muscles have gone quiet: tenderness at most 1, tone usual, no familiar sensation, on two visits in a row. */
final readonly class Quietness
{
    public function __construct(private Atlas $atlas, private ResponseFigures $figures)
    {
    }

    /** @return list<Treated> in the order of their keys */
    public function treated(CaseFile $case): array
    {
        $visits = [];
        foreach ($case->history as $visit) {
            foreach (array_unique(array_map(static fn ($done): string => $done->at()->key(), $visit->done)) as $key) {
                $visits[$key] = ($visits[$key] ?? 0) + 1;
            }
        }
        ksort($visits);
        $findings = [...array_map(static fn ($visit): Findings => $visit->findings, $case->history), $case->findings];
        $felt = array_map(self::felt(...), $findings);
        $treated = [];
        foreach ($case->history as $visit) {
            foreach ($visit->done as $done) {
                $treated[$done->at()->key()] = $done->at();
            }
        }

        return array_map(
            fn (string $key, int $count): Treated => new Treated(
                $treated[$key], $count, $this->quiet(array_column($felt, $key)), $this->eased($case, $treated[$key]),
            ),
            array_keys($visits),
            array_values($visits),
        );
    }

    /** @return array<string, non-empty-list<PalpationFinding>> what was felt at a visit, by muscle and side */
    private static function felt(Findings $findings): array
    {
        $felt = [];
        foreach ($findings->palpation as $finding) {
            $felt[$finding->at()->key()][] = $finding;
        }

        return $felt;
    }

    /** @param  list<non-empty-list<PalpationFinding>>  $felt  of one muscle, at each visit at which somebody felt it */
    private function quiet(array $felt): bool
    {
        $last = array_slice($felt, -$this->figures->quietVisits);

        return count($last) === $this->figures->quietVisits && array_filter($last, fn (array $findings): bool => array_filter(
            $findings, fn (PalpationFinding $finding): bool => ! $this->quietFinding($finding),
        ) !== []) === [];
    }

    private function quietFinding(PalpationFinding $finding): bool
    {
        return $finding->tenderness !== null && $finding->tenderness <= $this->figures->quietTenderness
            && in_array($finding->tone, [null, 'usual', 'low'], true)
            && $finding->familiar !== Answer::Yes;
    }

    /** Whether the complaint the muscle could explain has really eased; null when there is nothing to compare. */
    private function eased(CaseFile $case, MuscleAt $at): ?bool
    {
        $muscle = $this->atlas->muscle($at->muscle);
        $felt = array_fill_keys([...$muscle->zones, ...$muscle->coreReferral, ...$muscle->spillOver], true);
        $series = [];
        foreach ([...array_map(static fn ($visit): Findings => $visit->findings, $case->history), $case->findings] as $findings) {
            $own = array_filter(
                $findings->complaints,
                static fn (Complaint $complaint): bool => $complaint->now !== null
                    && isset($felt[$complaint->zone])
                    && in_array($complaint->side, [$at->side, Side::Midline], true),
            );
            if ($own !== []) {
                $series[] = max(array_map(static fn (Complaint $complaint): float => (float) $complaint->now, $own));
            }
        }
        if (count($series) < 2) {
            return null;
        }

        return $this->figures->measures->painReal <= $series[0] - $series[count($series) - 1];
    }
}
