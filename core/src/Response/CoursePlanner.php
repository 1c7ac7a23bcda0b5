<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\CaseFile\SwellingTrend;
use Somatrace\Core\CaseFile\TaskScore;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Safety\ConditionTissue;

/**
 * Stages a course: calm, range, strength of work, space out. Each phase ends when its gates hold; a gate nobody measured does not hold and
 * says so. Drawn anew from the facts at every visit: it goes back when they do.
 */
final readonly class CoursePlanner
{
    public function __construct(private Atlas $atlas, private ResponseFigures $figures, private ConditionTissue $tissue)
    {
    }

    /**
     * @param  list<Measure>  $measures
     * @param  list<GoalProgress>  $goals
     * @param  int  $kept  on how many visits in a row the goal was kept
     */
    public function of(CaseFile $case, array $measures, array $goals, int $kept): CoursePlan
    {
        $gates = [
            'calm' => [$this->swelling($case), $this->restPain($case), $this->reaction($case)],
            'range' => [$this->ranges($measures), $this->movePain($case)],
            'strength' => [$this->strength($case), $this->tasks($case, $goals)],
            'space_out' => [new Gate(
                'kept', "The goal is kept on {$this->figures->goalVisits} visits",
                $case->history === [] ? null : $kept >= $this->figures->goalVisits,
                $kept === 0 ? 'Not reached yet.' : 'Kept on '.($kept === 1 ? 'one visit.' : "$kept visits."),
            )],
        ];
        $phases = [];
        $isNow = true;
        foreach ($gates as $id => $of) {
            $passed = $isNow && $id !== 'space_out' && array_filter($of, static fn (Gate $gate): bool => $gate->holds !== true) === [];
            $phases[] = new Phase(
                $id, $this->figures->phases[$id]['name'], $passed ? 'passed' : ($isNow ? 'now' : 'ahead'), $of,
                $this->figures->phases[$id]['expect'],
            );
            $isNow = $isNow && $passed;
        }

        return new CoursePlan($phases, $this->lookAgain($case), [
            "Pain at {$this->figures->goalPain} or less, or the goals reached, kept on ".(2 * $this->figures->goalVisits)
                .' visits: no more is needed.',
            "No real change on {$this->figures->reassessVisits} visits or in {$this->figures->reassessDays} days, and not after looking "
                .'again: a doctor first.',
            'Anything that worries, or swelling that stays: a doctor first.',
        ]);
    }

    /** Every so many days from the first visit on, the next one that lies ahead. */
    private function lookAgain(CaseFile $case): ?\DateTimeImmutable
    {
        $first = $case->history[0]->date ?? null;
        if ($first === null) {
            return null;
        }
        $turns = intdiv(Dates::days($first, $case->asOf), $this->figures->reassessDays) + 1;

        return $first->add(new \DateInterval('P'.$turns * $this->figures->reassessDays.'D'));
    }

    private function swelling(CaseFile $case): Gate
    {
        $places = array_map(static fn (Complaint $one) => $one->place(), $case->findings->complaints);
        $trends = array_map(fn ($place): ?SwellingTrend => $this->tissue->at($place, $case)->swelling, $places);
        foreach ($case->health->conditions as $answer) {
            $trends[] = $answer->swellingTrend;
        }
        $stays = in_array(SwellingTrend::Rising, $trends, true) || in_array(SwellingTrend::Same, $trends, true);

        // swelling nobody saw is none: whoever sees one writes it down
        return new Gate('swells', 'Swelling goes down', ! $stays, $stays ? 'It stays or rises.' : 'None stays or rises.');
    }

    private function restPain(CaseFile $case): Gate
    {
        $pains = $this->asked($case);
        $most = $pains === [] ? null : max($pains);

        return new Gate(
            'rest_pain', "Pain at {$this->figures->calmPain} or less", $most === null ? null : $most <= $this->figures->calmPain,
            $most === null ? 'Nobody asked today.' : "$most today.",
        );
    }

    /** @return list<float> */
    private function asked(CaseFile $case): array
    {
        return array_values(array_filter(
            array_map(static fn (Complaint $one): ?float => $one->now, $case->findings->complaints), is_float(...),
        ));
    }

    private function reaction(CaseFile $case): Gate
    {
        $worked = array_values(array_filter($case->history, static fn (PastVisit $visit): bool => $visit->done !== []));
        $answer = Answered::of($worked[count($worked) - 1] ?? null);
        $well = $answer->worse !== true && ($answer->soreHours === null || $answer->soreHours <= $this->figures->holdHours);

        return new Gate(
            'reaction', 'Work leaves no soreness of more than a day', $answer->isAsked() ? $well : null, match (true) {
                $worked === [] => 'Nothing was worked yet.',
                ! $answer->isAsked() => 'Nobody asked how it was after the last visit.',
                $answer->worse === true => 'It was worse after the last visit.',
                $answer->soreHours !== null => "Sore for {$answer->soreHours} hours after the last visit.",
                default => 'Not worse after the last visit.',
            },
        );
    }

    /** @param  list<Measure>  $measures */
    private function ranges(array $measures): Gate
    {
        $short = $still = [];
        foreach ($measures as $measure) {
            if (preg_match('/^range\.(.+)\.(active|passive)$/', $measure->key, $found) !== 1) {
                continue;
            }
            $norm = $this->atlas->movement($found[1])->norm;
            $lacks = fn (float $value): bool => $measure->isReal($value - $norm) && ! $measure->isBetter($value - $norm);
            $values = array_column($measure->series, 1);
            if (array_filter($values, $lacks) !== []) {
                $short[] = $measure;
            }
            if ($lacks($values[count($values) - 1])) {
                $still[] = $measure->side->after(lcfirst($measure->name));
            }
        }
        $known = array_filter($measures, static fn (Measure $one): bool => str_starts_with($one->key, 'range.')) !== [];

        return new Gate('ranges', 'What was short is back', $known ? $still === [] : null, match (true) {
            ! $known => 'No movement was measured.',
            $still !== [] => 'Still short: '.implode(', ', array_slice($still, 0, 3)).'.',
            $short === [] => 'Nothing was short.',
            default => 'All within measuring error of the usual.',
        });
    }

    private function movePain(CaseFile $case): Gate
    {
        $pains = array_filter(array_map(static fn ($range): ?float => $range->pain, $case->findings->range), is_float(...));
        $most = $pains === [] ? null : max($pains);

        return new Gate(
            'move_pain', "Moving hurts at {$this->figures->goalPain} or less", $most === null ? null : $most <= $this->figures->goalPain,
            $most === null ? 'Nobody asked today.' : "$most at most today.",
        );
    }

    private function strength(CaseFile $case): Gate
    {
        $tried = array_filter($case->findings->resisted, static fn (ResistedFinding $one): bool => $one->strength !== null);
        $weak = array_filter(
            $tried, fn (ResistedFinding $one): bool => $one->strength < 5 || ($one->pain ?? 0.0) > $this->figures->goalPain,
        );

        return new Gate('strength', 'Strong and painless against resistance', $tried === [] ? null : $weak === [], match (true) {
            $tried === [] => 'Nothing was tried today.',
            $weak === [] => 'All that was tried.',
            default => count($weak).' of '.count($tried).' weak or painful.',
        });
    }

    /** @param  list<GoalProgress>  $goals */
    private function tasks(CaseFile $case, array $goals): Gate
    {
        $own = array_filter($goals, static fn (GoalProgress $one): bool => str_starts_with($one->goal->measure, 'function.'));
        if ($own !== []) {
            $open = array_filter($own, static fn (GoalProgress $one): bool => ! $one->isReached());
            $unknown = array_filter($own, static fn (GoalProgress $one): bool => $one->measure === null) !== [];

            return new Gate(
                'tasks', 'The tasks that were named go again', $unknown ? null : $open === [],
                $open === [] ? 'As was hoped.' : count($open).' of '.count($own).' not yet.',
            );
        }
        $scores = array_filter(array_map(static fn (TaskScore $one): ?float => $one->score, $case->findings->function), is_float(...));
        $least = $scores === [] ? null : min($scores);

        return new Gate(
            'tasks', "Tasks at {$this->figures->taskGoal} or more of 10", $least === null ? null : $least >= $this->figures->taskGoal,
            $least === null ? 'None was asked today.' : "$least at least today.",
        );
    }
}
