<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\CaseFile\SwellingTrend;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Measures\MeasureBook;
use Somatrace\Core\Measures\MeasureVerdict;
use Somatrace\Core\Safety\ConditionTissue;

/** What happened between the visits and what it means. Missing data is missing: never zero, never carried forward. */
final readonly class ResponseJudge
{
    public function __construct(
        private Atlas $atlas,
        private ResponseFigures $figures,
        private Quietness $quietness,
        private ConditionTissue $tissue,
    ) {
    }

    public function judge(CaseFile $case): ResponseResult
    {
        $measures = (new MeasureBook($this->atlas, $this->figures->measures))->of($case);
        $against = Contradiction::in($measures, $case);
        $targets = array_map(
            fn (Treated $treated): TargetDecision => $this->target($case, $treated, $against), $this->quietness->treated($case),
        );
        [$course, $because] = $this->course($case, $measures);
        $because = $against === null ? $because : "{$against->words} What changed? Nothing goes a step further until it is clear. $because";

        return new ResponseResult($measures, $targets, $course, $because, $this->sureness($case), $against);
    }

    private function target(CaseFile $case, Treated $treated, ?Contradiction $against): TargetDecision
    {
        [$decision, $step, $because] = $this->decide($case, $treated);
        if ($decision === Decision::Progress && $against !== null) {
            [$decision, $step, $because] = [Decision::Hold, 0, "{$against->words} The same again, no more, until it is clear."];
        }
        $last = $this->lastDone($case, $treated);

        return new TargetDecision(
            $treated->at, $this->atlas->nameOf($treated->at), $decision, $step, $because, $treated->visits, $last?->doseKpaS,
        );
    }

    /** @return array{Decision, int, string} */
    private function decide(CaseFile $case, Treated $treated): array
    {
        $visit = $this->lastVisit($case, $treated);
        $sore = $this->most($visit, static fn (Aftermath $after): ?float => $after->sorenessHours);
        $worse = $this->worse($visit);
        $long = $sore !== null && $sore > $this->figures->regressHours;
        if ($long || $worse === true) {
            return [Decision::Regress, $long && $worse === true ? -2 : -1, match (true) {
                $long && $worse === true => 'Worse, and sore for more than two days: two steps lower and shorter.',
                $long => 'Sore for more than two days: a step lower and shorter.',
                default => 'It was worse afterwards: a step lower and shorter.',
            }];
        }
        if ($treated->quiet) {
            return $treated->complaintEased === false && $treated->visits >= 2
                ? [Decision::Rethink, 0, 'Worked until quiet, and the complaint has not really changed: this was not the source.']
                : [Decision::Retire, 0, 'Quiet and painless on two visits: leave it and treat what is left.'];
        }
        if ($sore !== null && $sore > $this->figures->holdHours) {
            return [Decision::Hold, 0, 'Sore for more than a day: the same again, no more.'];
        }
        if ($sore === null && $worse === null) {
            return [Decision::Hold, 0, 'Nobody asked how it was afterwards: the same again, no more.'];
        }

        return $treated->complaintEased === true
            ? [Decision::Progress, 1, 'No lasting soreness, and the complaint really eased: the same, or a step further.']
            : [Decision::Hold, 0, 'No lasting soreness, but no real change yet: the same again.'];
    }

    private function lastVisit(CaseFile $case, Treated $treated): ?PastVisit
    {
        foreach (array_reverse($case->history) as $visit) {
            foreach ($visit->done as $done) {
                if ($done->at()->key() === $treated->at->key()) {
                    return $visit;
                }
            }
        }

        return null;
    }

    private function lastDone(CaseFile $case, Treated $treated): ?Done
    {
        foreach ($this->lastVisit($case, $treated)->done ?? [] as $done) {
            if ($done->at()->key() === $treated->at->key()) {
                return $done;
            }
        }

        return null;
    }

    /** @param  callable(Aftermath): ?float  $read */
    private function most(?PastVisit $visit, callable $read): ?float
    {
        $values = array_filter(array_map($read, $visit->aftermath ?? []), static fn (?float $value): bool => $value !== null);

        return $values === [] ? null : max($values);
    }

    private function worse(?PastVisit $visit): ?bool
    {
        $said = array_filter(
            array_map(static fn (Aftermath $after): ?bool => $after->worse, $visit->aftermath ?? []),
            static fn (?bool $worse): bool => $worse !== null,
        );

        return $said === [] ? null : in_array(true, $said, true);
    }

    /**
     * @param  list<Measure>  $measures
     * @return array{CourseDecision, string}
     */
    private function course(CaseFile $case, array $measures): array
    {
        $danger = $this->danger($case);
        if ($danger !== null) {
            return [CourseDecision::Refer, $danger];
        }
        if ($case->history === []) {
            return [CourseDecision::NotEnough, 'The first visit: nothing to compare yet.'];
        }
        $kept = $this->goalKept($case);
        if ($kept >= $this->figures->goalVisits) {
            return $kept >= 2 * $this->figures->goalVisits
                ? [
                    CourseDecision::Discharge,
                    "Pain at {$this->figures->goalPain} or less on $kept visits in a row: nothing left to do; come back when needed.",
                ]
                : [CourseDecision::SpaceOut, "Pain at {$this->figures->goalPain} or less on $kept visits in a row: longer between visits."];
        }
        $tellingMeasures = array_values(array_filter(
            $measures,
            static fn (Measure $measure): bool => count($measure->series) > 1
                && preg_match('/^(complaint|function|range)\\./', $measure->key) === 1,
        ));
        if ($tellingMeasures === []) {
            return [CourseDecision::NotEnough, 'Nothing was measured twice yet.'];
        }
        $improved = array_filter($tellingMeasures, static fn (Measure $measure): bool => $measure->verdict() === MeasureVerdict::Improved);
        $worse = array_filter($tellingMeasures, static fn (Measure $measure): bool => $measure->verdict() === MeasureVerdict::Worse);
        $visits = count($case->history);
        $days = Dates::days($case->history[0]->date, $case->asOf);
        if ($improved === [] && ($visits >= $this->figures->reassessVisits || $days >= $this->figures->reassessDays)) {
            return $visits >= $this->figures->reassessVisits + $this->figures->referAfter
                ? [
                    CourseDecision::Refer,
                    "$visits visits and no real change in pain, function or range, also after looking again: send on.",
                ]
                : [
                    CourseDecision::Reassess,
                    "$visits visits in $days days and no real change in pain, function or range: look again from the start.",
                ];
        }

        return [CourseDecision::Continue, $this->summary($improved, $worse)];
    }

    /**
     * @param  array<Measure>  $improved
     * @param  array<Measure>  $worse
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
        foreach ($last->aftermath ?? [] as $after) {
            if ($after->worrying !== []) {
                return 'Reported after the last visit: '.str_replace('_', ' ', implode(', ', $after->worrying)).'.';
            }
        }
        foreach ($case->health->conditions as $condition) {
            $tissue = $this->tissue->of($condition, $case);
            $days = $condition->since === null ? $tissue->swollenDays ?? 0 : Dates::days($condition->since, $case->asOf);
            if (
                $condition->answer === Answer::Yes
                    && in_array($tissue->swelling, [SwellingTrend::Same, SwellingTrend::Rising], true)
                    && $days >= $this->figures->swellingDays
            ) {
                return "Swelling that has not gone down in $days days.";
            }
        }

        return null;
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

    private function sureness(CaseFile $case): string
    {
        $visits = count($case->history);
        $unasked = count(array_filter($case->history, static fn (PastVisit $visit): bool => $visit->aftermath === []));
        $asked = $unasked === 0 ? '' : ', '.($unasked === 1 ? 'one check-back' : "$unasked check-backs").' missing';

        return match (true) {
            $visits === 0 => 'No earlier visit.',
            $visits < 3 => "Not sure yet: $visits earlier ".($visits === 1 ? 'visit' : 'visits')."$asked.",
            default => "Fairly sure: $visits earlier visits$asked.",
        };
    }
}
