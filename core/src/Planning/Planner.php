<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Safety\Offer;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\TouchGate;

/** What to do in the time there is: targets, order, pressure, tools, minutes, each with its reason. */
final readonly class Planner
{
    public function __construct(private Atlas $atlas, private PlanFigures $figures)
    {
    }

    public function plan(CaseFile $case, SafetyResult $safety, PatternResult $pattern, ResponseResult $response): PlanResult
    {
        if (! $safety->verdict->allowsTreatment()) {
            return PlanResult::none(match ($safety->verdict->value) {
                'emergency' => 'Emergency: '.($safety->because[0]['reason'] ?? ''),
                'refer' => 'To be seen by a doctor first. '.($safety->because[0]['reason'] ?? ''),
                default => 'Not today. '.($safety->because[0]['reason'] ?? ''),
            });
        }
        $school = School::of($case->session, $this->figures);
        $gate = TouchGate::of($this->atlas, $safety, $case);
        $ceilings = new CeilingFinder($this->atlas, $this->figures, $case, $school, $gate, $response);
        $tools = new ToolChooser($this->atlas, $this->figures, $case->therapist);
        [$targets, $leftOut] = (
            new TargetBuilder($this->atlas, $this->figures, $case, $school, $gate, $response, $ceilings, $tools)
        )->build($pattern);
        $offers = array_values(array_filter(
            $safety->offers,
            static fn (Offer $offer): bool => $school->is($offer->school, $offer->schoolValue)
                && ! in_array($offer->technique, $case->therapist->scopeOff, true),
        ));
        $clock = TimeBudget::of($case->session, $this->figures, $school, $this->mostMinutes($safety));
        $solver = new Solver($this->figures, $school, $clock);
        $solution = $solver->solve($targets, count($offers));
        $builder = new StepBuilder($this->atlas, $this->figures, $case, $gate, $school, $clock, $solver, $ceilings, $tools->mass());

        return $this->result($solution, $targets, $leftOut, $builder->build($solution, $offers), $clock);
    }

    private function mostMinutes(SafetyResult $safety): ?float
    {
        $cap = $safety->limits->minutesCap(new ProposedWork([]));

        return $cap === null ? null : (float) $cap->value;
    }

    /**
     * @param  list<Target>  $targets
     * @param  list<LeftOut>  $leftOut
     * @param  list<PlanStep>  $steps
     */
    private function result(Solution $solution, array $targets, array $leftOut, array $steps, TimeBudget $clock): PlanResult
    {
        $in = array_map(static fn (Chosen $chosen): string => $chosen->target->at->key(), $solution->chosen);
        foreach ($targets as $target) {
            if (! in_array($target->at->key(), $in, true)) {
                $leftOut[] = new LeftOut(
                    $target->at, $target->candidate->name,
                    Reason::of(ReasonKind::Worth, 'Worth less than the others in '.($clock->budget / TimeBudget::PER_MINUTE).' minutes.'),
                );
            }
        }
        $chosen = array_map(static fn (Chosen $one): array => [
            'muscle' => $one->target->at->muscle, 'side' => $one->target->at->side->value, 'name' => $one->target->candidate->name,
            'minutes' => $one->minutes,
            'role' => $one->target->candidate->role->value, 'words' => $one->target->candidate->word, 'locked' => $one->target->locked,
            'worth' => round($one->target->benefit($one->minutes), 5),
        ], $solution->chosen);
        usort(
            $chosen,
            static fn (array $a, array $b): int => [$b['worth'], $a['muscle'], $a['side']] <=> [$a['worth'], $b['muscle'], $b['side']],
        );
        $because = $chosen === []
            ? 'Nothing to press today: calm, warm and compare.'
            : 'Most worth in '.($clock->budget / TimeBudget::PER_MINUTE).' minutes, within every limit.';

        return PlanResult::of($because, $steps, $leftOut, $solution->benefit, $solution->turns(), $this->load($steps), $chosen);
    }

    /**
     * @param  list<PlanStep>  $steps
     * @return array<string, float>
     */
    private function load(array $steps): array
    {
        $load = [];
        foreach ($steps as $step) {
            foreach ($step->passes as $pass) {
                if ($pass->pressure >= $this->figures->firmFrom && $step->tool !== null) {
                    $load[$step->tool] = ($load[$step->tool] ?? 0) + $pass->seconds / 60;
                }
            }
        }
        ksort($load);

        return $load;
    }
}
