<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Measures\MeasureVerdict;

/**
 * What the answer to earlier work means for one muscle: the worst fact that holds decides, and nothing goes further than the course lets
 * it. What eased after other work is not this one's merit.
 */
final readonly class TargetJudge
{
    /**
     * @param  list<Measure>  $measures
     * @param  list<Helped>  $helped  pooled over the visits
     * @param  list<Credit>  $credits
     */
    public function __construct(
        private Atlas $atlas,
        private ResponseFigures $figures,
        private CaseFile $case,
        private array $measures,
        private array $helped,
        private array $credits,
        private CourseDecision $course,
        private string $because,
    ) {
    }

    /**
     * @param  list<Treated>  $treated
     * @return list<TargetDecision>
     */
    public function of(array $treated): array
    {
        return array_map(fn (Treated $one): TargetDecision => $this->target($one, $treated), $treated);
    }

    /** @param  list<Treated>  $all */
    private function target(Treated $treated, array $all): TargetDecision
    {
        $visit = $this->lastVisit($treated);
        $tolerance = Tolerance::of($this->case, $treated->at, $this->figures);
        $last = array_values(array_filter($visit->done ?? [], static fn (Done $one): bool => $one->at()->key() === $treated->at->key()));
        $doses = array_filter(array_map(static fn (Done $one): ?float => $one->doseKpaS, $last), is_float(...));
        $dose = $doses === [] ? null : array_sum($doses);
        $own = $this->own($treated);
        [$decision, $step, $because] = $this->withinCourse($this->decide($treated, $all, $visit, $own, $tolerance, $dose));

        return new TargetDecision(
            $treated->at, $this->atlas->nameOf($treated->at), $decision, $step, $because, $treated->visits, $dose,
            $last === [] ? null : array_sum(array_map(static fn (Done $one): float => $one->minutes, $last)), $tolerance, $own,
        );
    }

    /**
     * @param  list<Treated>  $all
     * @return array{Decision, int, string}
     */
    private function decide(
        Treated $treated, array $all, ?PastVisit $visit, MeasureVerdict $own, Tolerance $tolerance, ?float $dose,
    ): array {
        $answer = Answered::of($visit);
        $long = $answer->soreHours !== null && $answer->soreHours > $this->figures->regressHours;
        if ($long || $answer->worse === true) {
            return [Decision::Regress, $long && $answer->worse === true ? -2 : -1, match (true) {
                $long && $answer->worse === true => 'Worse, and sore for more than two days: two steps lower and shorter.',
                $long => 'Sore for more than two days: a step lower and shorter.',
                default => 'It was worse afterwards: a step lower and shorter.',
            }];
        }
        if ($treated->quiet) {
            return $treated->complaintEased === false && $treated->visits >= 2
                ? [Decision::Rethink, 0, 'Worked until quiet, and the complaint has not really changed: this was not the source.']
                : [Decision::Retire, 0, 'Quiet and painless on two visits: leave it and treat what is left.'];
        }
        if ($answer->soreHours !== null && $answer->soreHours > $this->figures->holdHours) {
            return [Decision::Hold, 0, 'Sore for more than a day: the same again, no more.'];
        }
        if ($answer->soreHours !== null && $answer->soreHours > $this->figures->progressHours) {
            return [Decision::Hold, 0, 'Sore for most of a day: the same again, no more.'];
        }
        if (! $answer->isAsked()) {
            return [Decision::Hold, 0, 'Nobody asked how it was afterwards: the same again, no more.'];
        }
        if ($own === MeasureVerdict::Worse) {
            return [Decision::Hold, 0, 'More tender under the finger than at first: the same again, no more.'];
        }
        if (! $this->hasEased($treated, $own)) {
            return [Decision::Hold, 0, 'No lasting soreness, but no real change yet: the same again.'];
        }
        $other = $own === MeasureVerdict::Improved ? null : $this->merit($treated, $all, $visit);
        if ($other !== null) {
            return [Decision::Hold, 0, "The complaint eased after work on $other, and this one is as it was: the same again, no more."];
        }
        if ($own === MeasureVerdict::NoRealChange && $this->credit($treated) < 1 && count($this->worked($visit)) > 1) {
            return [Decision::Hold, 0, 'The complaint eased, others were worked too, and this one is as it was: the same again, no more.'];
        }
        if ($dose !== null && ! $tolerance->varies() && $tolerance->isReachedBy($dose * $this->figures->doseStep)) {
            return [Decision::Hold, 0, 'Eased; a step further would come to the dose after which it was sore: the same again.'];
        }

        return [Decision::Progress, 1, 'No lasting soreness, and the complaint really eased: the same, or a step further.'];
    }

    /**
     * Whether what it was worked for has really eased: the complaint it can explain; where it explains none that was asked twice, any, if
     * it is itself less tender or that came right after work on it.
     */
    private function hasEased(Treated $treated, MeasureVerdict $own): bool
    {
        if ($treated->complaintEased !== null || ($own !== MeasureVerdict::Improved && $this->credit($treated) < 1)) {
            return $treated->complaintEased === true;
        }

        return array_filter($this->measures, static fn (Measure $one): bool => str_starts_with($one->key, 'complaint.')
            && $one->verdict() === MeasureVerdict::Improved) !== [];
    }

    /**
     * @param  array{Decision, int, string}  $decided
     * @return array{Decision, int, string} nothing the course speaks against: what is sent on or looked at again is not taken further
     */
    private function withinCourse(array $decided): array
    {
        [$decision, , $because] = $decided;

        return match (true) {
            $this->course === CourseDecision::Refer && $decision !== Decision::Regress => [
                Decision::Hold, 0, "Nothing more here before a doctor has looked: $this->because",
            ],
            $this->course === CourseDecision::Reassess && in_array($decision, [Decision::Progress, Decision::Hold], true) => [
                Decision::Hold, 0, "Look again first: $this->because",
            ],
            in_array($this->course, [CourseDecision::SpaceOut, CourseDecision::Discharge], true) && $decision === Decision::Progress => [
                Decision::Hold, 0, "Eased, and the goal is kept: no step further. $because",
            ],
            default => $decided,
        };
    }

    /** How tender it is itself, from the first time it was felt to the last: not enough where it was not felt twice. */
    private function own(Treated $treated): MeasureVerdict
    {
        $found = MeasureVerdict::NotEnough;
        foreach ($this->measures as $measure) {
            if ($measure->side !== $treated->at->side || ! str_starts_with($measure->key, "palpation.{$treated->at->muscle}.")) {
                continue;
            }
            $verdict = $measure->verdict();
            if ($verdict !== MeasureVerdict::NotEnough && ! $this->isLasting($measure, $verdict)) {
                $verdict = MeasureVerdict::NoRealChange;
            }
            // of several spots the worst counts
            $found = match (true) {
                $verdict === MeasureVerdict::Worse, $found === MeasureVerdict::Worse => MeasureVerdict::Worse,
                $verdict === MeasureVerdict::NotEnough => $found,
                $found === MeasureVerdict::NotEnough, $verdict === MeasureVerdict::NoRealChange => $verdict,
                default => $found,
            };
        }

        return $found;
    }

    /**
     * Whose merit it is that the complaint eased, where it is known to be another's: measured again after that work, or that muscle is
     * itself really less tender and this one is not.
     *
     * @param  list<Treated>  $all
     * @return string|null the name of the other
     */
    private function merit(Treated $treated, array $all, ?PastVisit $visit): ?string
    {
        if ($this->credit($treated) >= 1) {
            return null;
        }
        $there = $this->worked($visit);
        foreach ($all as $other) {
            if ($other->at->key() === $treated->at->key() || ! in_array($other->at->key(), $there, true)) {
                continue;
            }
            $measured = $this->credit($other) >= 1 && $this->isRead($treated);
            if ($measured || ($this->own($treated) === MeasureVerdict::NoRealChange && $this->own($other) === MeasureVerdict::Improved)) {
                return $other->at->side->on(lcfirst($this->atlas->muscle($other->at->muscle)->name));
            }
        }

        return null;
    }

    /** One grade more on one day is within what a finger errs: it is more by two, or on several days running. */
    private function isLasting(Measure $measure, MeasureVerdict $verdict): bool
    {
        $last = array_slice($measure->pointVerdicts(), -$this->figures->worseVisits);

        return abs((float) $measure->change()) >= 2 * $measure->mdc
            || (count($last) === $this->figures->worseVisits && ! in_array(false, array_map(
                static fn (MeasureVerdict $one): bool => $one === $verdict, $last,
            ), true));
    }

    /** @return list<string> muscles and sides */
    private function worked(?PastVisit $visit): array
    {
        return array_values(array_unique(array_map(static fn (Done $done): string => $done->at()->key(), $visit->done ?? [])));
    }

    /** The best that came right after work on it, in changes that are real. */
    private function credit(Treated $treated): float
    {
        foreach ($this->helped as $one) {
            if ($one->by === 'target' && $one->id === $treated->at->key()) {
                return $one->low > 0 ? max(1.0, $one->change) : $one->change;
            }
        }

        return 0.0;
    }

    /** Whether anything was measured again right after work on this one. */
    private function isRead(Treated $treated): bool
    {
        return array_filter($this->credits, static fn (Credit $one): bool => $one->done->at()->key() === $treated->at->key()) !== [];
    }

    private function lastVisit(Treated $treated): ?PastVisit
    {
        foreach (array_reverse($this->case->history) as $visit) {
            foreach ($visit->done as $done) {
                if ($done->at()->key() === $treated->at->key()) {
                    return $visit;
                }
            }
        }

        return null;
    }
}
