<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Measures\Measure;
use Somatrace\Core\Measures\MeasureVerdict;
use Somatrace\Core\Safety\ConditionTissue;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\Verdict;

/** Proposes the next visit: the most careful reason that holds decides. */
final readonly class NextVisitJudge
{
    /** @param  int  $usualMinutes  of a visit where nobody said */
    public function __construct(private ResponseFigures $figures, private ConditionTissue $tissue, private int $usualMinutes)
    {
    }

    /** @param  float|null  $worthMinutes  what today's plan found worth doing; null where nothing was planned */
    public function of(CaseFile $case, SafetyResult $safety, ResponseResult $response, ?float $worthMinutes): NextVisit
    {
        $days = $this->figures->nextVisit;
        $minutes = $this->minutes($case->session->minutes ?? $this->usualMinutes, $worthMinutes);
        $short = min($minutes, max($days->leastMinutes, $minutes - $days->minutesStep));
        $never = static fn (string $reason, string $because): NextVisit => new NextVisit(null, null, $reason, $because);
        $in = static fn (
            int $after, int $long, string $reason, string $because
        ): NextVisit => new NextVisit($after, $long, $reason, $because);

        return match (true) {
            $safety->verdict === Verdict::Emergency, $safety->verdict === Verdict::Refer => $never(
                'doctor', 'No day is named before a doctor has looked.',
            ),
            $safety->verdict === Verdict::Defer => $in(
                max(
                    1, $safety->days ?? $days->usualDays,
                ), $minutes, 'deferred', 'Not treated today: again when what stood against it is over.',
            ),
            $response->course === CourseDecision::Refer => $never('course', 'The course asks for a doctor first.'),
            $response->course === CourseDecision::Discharge => $never(
                'discharge', 'The goal is reached and kept: to come when it comes back.',
            ),
            $response->course === CourseDecision::Reassess => $in(
                $days->reassessDays, $minutes, 'reassess', 'To look at it anew, not to do the same again.',
            ),
            $this->isSore($case) => $in(
                $days->soreDays, $short, 'sore', 'The last visit left soreness of more than two days, or it was worse: a longer pause, and shorter.',
            ),
            $this->isAcute($case) => $in($days->acuteDays, $short, 'acute', 'Still acute: soon again, and short.'),
            $response->course === CourseDecision::SpaceOut => $in(
                $days->spaceOutDays, $minutes, 'space_out', 'The goal is reached: further apart, to see whether it keeps.',
            ),
            $case->history === [] => $in($days->firstDays, $minutes, 'first', 'The first visit: its answer decides what follows.'),
            $this->isEasing($response) => $in($days->easingDays, $minutes, 'easing', 'Really easing: a longer pause is enough.'),
            default => $in($days->usualDays, $minutes, 'usual', 'Not clearly easing yet: at the usual distance.'),
        };
    }

    /** What was worth doing, in steps of the diary; never more than today. */
    private function minutes(int $today, ?float $worth): int
    {
        $days = $this->figures->nextVisit;

        return $worth === null
            ? $today
            : min($today, max($days->leastMinutes, (int) ceil($worth / $days->minutesStep) * $days->minutesStep));
    }

    private function isSore(CaseFile $case): bool
    {
        $last = $case->history === [] ? [] : $case->history[count($case->history) - 1]->aftermath;

        return array_filter($last, fn (Aftermath $one): bool => $one->worse === true
            || ($one->sorenessHours !== null && $one->sorenessHours > $this->figures->regressHours)) !== [];
    }

    private function isAcute(CaseFile $case): bool
    {
        foreach ($case->findings->complaints as $one) {
            if ($one->hurts() && $this->tissue->at($one->place(), $case)->stage === Stage::Acute) {
                return true;
            }
        }

        return false;
    }

    private function isEasing(ResponseResult $response): bool
    {
        $verdicts = array_map(static fn (Measure $one): MeasureVerdict => $one->verdict(), $response->measures);

        return in_array(MeasureVerdict::Improved, $verdicts, true) && ! in_array(MeasureVerdict::Worse, $verdicts, true);
    }
}
