<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\CaseFile\SwellingTrend;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Measures\MeasureVerdict;
use Somatrace\Core\Safety\ConditionTissue;

/**
 * What the whole course comes to: the worst fact that holds decides. Danger, then pain and ability that disagree, then what is really
 * worse, then what does not change, then the goal; only then it goes on.
 */
final readonly class CourseJudge
{
    public function __construct(private ResponseFigures $figures, private ConditionTissue $tissue)
    {
    }

    /**
     * @param  list<Measure>  $measures
     * @param  list<GoalProgress>  $goals
     * @return array{CourseDecision, string}
     */
    public function of(CaseFile $case, array $measures, array $goals, ?Contradiction $against): array
    {
        $danger = $this->danger($case);
        if ($danger !== null) {
            return [CourseDecision::Refer, $danger];
        }
        if ($case->history === []) {
            return [CourseDecision::NotEnough, 'The first visit: nothing to compare yet.'];
        }
        if ($against !== null) {
            return [
                CourseDecision::Reassess,
                "{$against->words} What changed? Look again; nothing goes a step further until it is clear.",
            ];
        }
        $telling = array_values(array_filter(
            $measures,
            static fn (Measure $measure): bool => count($measure->series) > 1
                && preg_match('/^(complaint|function|range)\./', $measure->key) === 1,
        ));
        [$improved, $worse] = [$this->changed($telling, MeasureVerdict::Improved), $this->changed($telling, MeasureVerdict::Worse)];

        return $this->stalled($case, $telling, $improved, $worse)
            ?? $this->reached($case, $goals)
            ?? ($telling === []
                ? [CourseDecision::NotEnough, 'Nothing was measured twice yet.']
                : [CourseDecision::Continue, $this->summary($improved, $worse)]);
    }

    /**
     * What has really changed one way: pain and tasks each, movements where more of them did than the other way, and than
     * stray by chance.
     *
     * @param  list<Measure>  $telling
     * @return list<Measure>
     */
    private function changed(array $telling, MeasureVerdict $way): array
    {
        $isMove = static fn (Measure $one): bool => str_starts_with($one->key, 'range.');
        $moves = array_filter($telling, $isMove);
        $changed = array_values(array_filter($telling, static fn (Measure $one): bool => $one->verdict() === $way));
        $other = $way === MeasureVerdict::Improved ? MeasureVerdict::Worse : MeasureVerdict::Improved;
        $against = count(array_filter($moves, static fn (Measure $one): bool => $one->verdict() === $other));
        $counts = count(array_filter($changed, $isMove)) - $against >= $this->figures->beyondChance(count($moves));

        return $counts ? $changed : array_values(array_filter($changed, static fn (Measure $one): bool => ! $isMove($one)));
    }

    /**
     * What is worse, or does not change, for too long.
     *
     * @param  list<Measure>  $telling
     * @param  list<Measure>  $improved
     * @param  list<Measure>  $worse
     * @return array{CourseDecision, string}|null
     */
    private function stalled(CaseFile $case, array $telling, array $improved, array $worse): ?array
    {
        $visits = count($case->history);
        $days = Dates::days($case->history[0]->date, $case->asOf);
        if ($telling === [] || $improved !== []) {
            return null;
        }
        $late = $visits >= $this->figures->reassessVisits + $this->figures->referAfter;
        $lasting = array_values(array_filter($worse, $this->isLasting(...)));
        if ($lasting !== []) {
            $what = 'Really worse: '.$this->names($lasting).', and nothing really better';

            return $late
                ? [CourseDecision::Refer, "$what in $visits visits, also after looking again: send on."]
                : [CourseDecision::Reassess, "$what: look again from the start."];
        }
        if ($this->goalKept($case) > 0 || ($visits < $this->figures->reassessVisits && $days < $this->figures->reassessDays)) {
            return null;
        }

        return $late
            ? [CourseDecision::Refer, "$visits visits and no real change in pain, function or range, also after looking again: send on."]
            : [
                CourseDecision::Reassess,
                "$visits visits in $days days and no real change in pain, function or range: look again from the start.",
            ];
    }

    /** A bad day is one reading; what is worse on several in a row is worse. */
    private function isLasting(Measure $measure): bool
    {
        $last = array_slice($measure->pointVerdicts(), -$this->figures->worseVisits);

        return count($last) === $this->figures->worseVisits && array_unique($last, SORT_REGULAR) === [MeasureVerdict::Worse];
    }

    /**
     * @param  list<GoalProgress>  $goals
     * @return array{CourseDecision, string}|null
     */
    private function reached(CaseFile $case, array $goals): ?array
    {
        $kept = $this->kept($case, $goals);
        if ($kept < $this->figures->goalVisits) {
            return null;
        }
        $what = match (count($goals)) {
            0 => "Pain at {$this->figures->goalPain} or less",
            1 => 'The goal is reached',
            default => 'All goals are reached',
        };

        return $kept >= 2 * $this->figures->goalVisits
            ? [CourseDecision::Discharge, "$what on $kept visits in a row: nothing left to do; come back when needed."]
            : [CourseDecision::SpaceOut, "$what on $kept visits in a row: longer between visits."];
    }

    /**
     * On how many visits in a row, up to today, what was hoped for was so: the goals that were named, or else the pain.
     *
     * @param  list<GoalProgress>  $goals
     */
    public function kept(CaseFile $case, array $goals): int
    {
        return $goals === [] ? $this->goalKept($case) : min(array_map(static fn (GoalProgress $one): int => $one->kept, $goals));
    }

    /** On how many visits in a row, up to today, every complaint was at the goal or below. */
    private function goalKept(CaseFile $case): int
    {
        $kept = 0;
        foreach (
            array_reverse([...array_map(static fn (PastVisit $visit) => $visit->findings, $case->history), $case->findings]) as $findings
        ) {
            $asked = array_filter($findings->complaints, static fn ($complaint): bool => $complaint->now !== null);
            $pains = array_map(static fn ($complaint): float => (float) $complaint->now, $asked);
            if ($pains === [] || max($pains) > $this->figures->goalPain) {
                break;
            }
            $kept++;
        }

        return $kept;
    }

    /**
     * @param  list<Measure>  $improved
     * @param  list<Measure>  $worse
     */
    private function summary(array $improved, array $worse): string
    {
        return match (true) {
            $improved === [] && $worse === [] => 'No real change yet, and it is early.',
            $worse === [] => 'Really better: '.$this->names($improved).'.',
            $improved === [] => 'Really worse: '.$this->names($worse).'.',
            default => 'Really better: '.$this->names($improved).'. Worse: '.$this->names($worse).'.',
        };
    }

    /** @param  array<Measure>  $measures */
    private function names(array $measures): string
    {
        $names = [];
        foreach (array_slice($measures, 0, 3) as $measure) {
            $names[] = $measure->side->after(lcfirst($measure->name));
        }

        return implode(', ', $names);
    }

    private function danger(CaseFile $case): ?string
    {
        $last = $case->history[count($case->history) - 1] ?? null;
        $worrying = array_unique(array_merge([], ...array_map(
            static fn (Aftermath $after): array => $after->worrying, $last->aftermath ?? [],
        )));
        sort($worrying);
        if ($worrying !== []) {
            return 'Reported after the last visit: '.str_replace('_', ' ', implode(', ', $worrying)).'.';
        }
        $longest = 0;
        foreach ($case->health->conditions as $condition) {
            $tissue = $this->tissue->of($condition, $case);
            if ($condition->answer === Answer::Yes && in_array($tissue->swelling, [SwellingTrend::Same, SwellingTrend::Rising], true)) {
                $since = $condition->since === null ? $tissue->swollenDays ?? 0 : Dates::days($condition->since, $case->asOf);
                $longest = max($longest, $since);
            }
        }

        return $longest >= $this->figures->swellingDays ? "Swelling that has not gone down in $longest days." : null;
    }
}
