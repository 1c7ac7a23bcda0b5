<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Goal;
use Somatrace\Core\CaseFile\PastVisit;
use Somatrace\Core\Measures\MeasureBook;
use Somatrace\Core\Safety\ConditionTissue;
use Somatrace\Core\Safety\SafetyRules;

/**
 * What happened between the visits and what it means: one judgement, of the course first and of each muscle within it. Missing data is
 * missing: never zero, never carried forward.
 */
final readonly class ResponseJudge
{
    public function __construct(
        private Atlas $atlas,
        private ResponseFigures $figures,
        private Quietness $quietness,
        private ConditionTissue $tissue,
        private SafetyRules $rules,
    ) {
    }

    public function judge(CaseFile $case): ResponseResult
    {
        $measures = (new MeasureBook($this->atlas, $this->figures->measures))->of($case);
        $goals = array_map(static fn (Goal $goal): GoalProgress => GoalProgress::of($goal, $measures, $case->asOf), $case->goals);
        $against = Contradiction::in($measures, $case, $this->figures);
        $judge = new CourseJudge($this->figures, $this->tissue);
        [$course, $because] = $judge->of($case, $measures, $goals, $against);
        $credits = (new Attribution($this->atlas, $this->figures))->of($case);
        $helped = (new Pool($this->atlas, $this->figures))->of($credits);
        $targets = new TargetJudge($this->atlas, $this->figures, $case, $measures, $helped, $credits, $course, $because);

        return new ResponseResult(
            $measures, $targets->of($this->quietness->treated($case)), $course, $because, $this->sureness($case), $against, $goals, $helped,
            (new LineDrawer($this->figures, $this->tissue, $this->rules))->of($case),
            (new CoursePlanner($this->atlas, $this->figures, $this->tissue))->of($case, $measures, $goals, $judge->kept($case, $goals)),
            array_map(VisitMark::of(...), $case->history),
        );
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
