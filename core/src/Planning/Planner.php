<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Handwork\CeilingFinder;
use Somatrace\Core\Handwork\Composer;
use Somatrace\Core\Handwork\Exposed;
use Somatrace\Core\Handwork\HandBudgets;
use Somatrace\Core\Handwork\JointComposer;
use Somatrace\Core\Handwork\OwnTools;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\PressureScales;
use Somatrace\Core\Handwork\Reason;
use Somatrace\Core\Handwork\ReasonKind;
use Somatrace\Core\Handwork\Recipes;
use Somatrace\Core\Handwork\RoutineStages;
use Somatrace\Core\Handwork\School;
use Somatrace\Core\Handwork\SituationReader;
use Somatrace\Core\Handwork\SoFar;
use Somatrace\Core\Handwork\StiffJoints;
use Somatrace\Core\Handwork\ToolChooser;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Pattern\WholePattern;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Safety\Offer;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\TouchGate;

/** What to do in the time there is: targets, order, pressure, tools, minutes, each with its reason. */
final readonly class Planner
{
    public function __construct(private Atlas $atlas, private PlanFigures $figures, private Recipes $recipes, private WholePattern $whole)
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
        $exposed = Exposed::of($case);
        $ceilings = new CeilingFinder($this->atlas, $this->figures, $case, $school, $gate, $response, $exposed);
        $offers = array_values(array_filter(
            $safety->offers,
            static fn (Offer $offer): bool => $school->is($offer->school, $offer->schoolValue)
                && ! $case->therapist->isOff($offer->technique),
        ));
        $soFar = SoFar::of($case->session, $this->atlas, $this->figures);
        $clock = TimeBudget::of($case->session, $this->figures, $this->mostMinutes($safety), $soFar);
        $scales = new PressureScales($this->atlas, $case, $this->figures->pptFelt);
        $stages = new RoutineStages($this->atlas, $school);
        $busy = $this->whole->read($case)->busySide();
        $hands = new HandBudgets($this->atlas, $this->figures, $case->therapist, $soFar);
        $own = new OwnTools($this->atlas, $this->figures->plate, $case->therapist);
        $fitter = new Fitter(
            new Solver($this->figures, $school, $clock),
            new Totals($this->atlas, $this->figures, $exposed, $hands, $soFar, $this->figures->frailty->share($case)), $clock,
        );
        $try = function (string ...$spared) use (
            $case, $school, $gate, $response, $ceilings, $exposed, $scales, $hands, $soFar, $stages, $busy, $pattern, $fitter, $clock,
            $offers, $own,
        ): array {
            $tools = new ToolChooser($this->atlas, $this->figures, $case->therapist, $hands, $own, array_values($spared));
            $composer = new Composer(
                $this->atlas, $this->recipes, $this->figures, $case, $school, $gate, $ceilings, $tools, $scales, $soFar, $stages,
            );
            $proposal = (new TargetBuilder(
                $this->atlas, $this->figures, $case, $school, $gate, $response, $composer,
                new SituationReader($this->atlas, $this->figures, $this->recipes, $case, $school, $gate, $exposed), $exposed,
                new JointComposer($this->atlas, $this->recipes, $this->figures, $case, $gate, $tools),
                new StiffJoints($this->atlas, $this->figures, $case), $scales, $soFar, $stages, $this->whole, $busy,
            ))->build($pattern);
            $given = $clock->given(count($offers), count($proposal->soothed));

            return [
                $proposal, $fitter->fit($proposal->targets, $given), $tools, new HandChoices($this->atlas, $case, $gate, $tools, $composer),
            ];
        };
        $made = $try();
        if ($made[1]->costly !== []) {
            // what would cost a part of the hand more than it has left is done with another too, and the better of the two stays
            $other = $try(...$made[1]->costly);
            $made = $other[1]->solution->benefit > $made[1]->solution->benefit + 1e-12 ? $other : $made;
        }
        [$proposal, $fitted, $tools, $choices] = $made;
        [$solution, $suspects, $soothe] = [$fitted->solution, $proposal->suspects, $proposal->soothed];
        $leftOut = [...$proposal->leftOut, ...$fitted->leftOut];
        $builder = new StepBuilder(
            $this->atlas, $this->figures, $case, $gate, $school, $clock, $this->recipes, $tools,
            $stages, $scales, $soFar, new Checks($this->atlas, $case), $tools->mass(),
        );
        $open = array_values(array_filter($suspects, static fn (Suspect $one): bool => ! $soFar->wasFelt($one->candidate->at)));
        $feelMost = min(count($open), max(0, $this->figures->feelMost - count($soFar->felt())));
        $steps = $builder->build($solution, $offers, $soothe, $feelMost * TimeBudget::quarters($this->figures->feelMinutes));
        $families = $solution->families !== [] ? $solution->families : [$builder->restingPosition($soothe)];
        $feeling = new FeelSteps($this->atlas, $this->figures, $gate);
        $feel = $this->feel($feeling, $open, $feelMost, $solution, $families, $clock, $steps);
        $steps = $feeling->put($steps, $feel, $clock);
        array_push($leftOut, ...$this->unfelt($suspects, $feel, $solution, $soFar));

        return $this->result($solution, $fitted->targets, $leftOut, $steps, $clock, $case, $choices, $hands, $own);
    }

    /**
     * What is felt first, where the hands come to it in a position that is taken anyway, as far as time is left.
     *
     * @param  list<Suspect>  $suspects  the most suspected first
     * @param  list<string>  $families  in which the client lies
     * @param  list<PlanStep>  $steps
     * @return array<string, list<Suspect>> by family of positions
     */
    private function feel(
        FeelSteps $feeling, array $suspects, int $most, Solution $solution, array $families, TimeBudget $clock, array $steps,
    ): array {
        $used = TimeBudget::quarters(array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $steps)));
        $finish = array_filter($steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Finish);
        // the finish takes what is spare: it may give it back
        $spare = $clock->budget - $used + array_sum(array_map(
            static fn (PlanStep $step): int => max(0, TimeBudget::quarters($step->minutes) - $clock->finish), $finish,
        ));
        $each = TimeBudget::quarters($this->figures->feelMinutes);
        $feel = [];
        $count = 0;
        foreach ($suspects as $suspect) {
            if ($solution->has($suspect->candidate->at->key())) {
                continue;
            }
            foreach ($families as $family) {
                if ($count < $most && $spare >= $each && $feeling->places($suspect->candidate, $family) !== []) {
                    $feel[$family][] = $suspect;
                    $spare -= $each;
                    $count++;

                    break;
                }
            }
        }

        return $feel;
    }

    /**
     * @param  list<Suspect>  $suspects
     * @param  array<string, list<Suspect>>  $feel
     * @return list<LeftOut>
     */
    private function unfelt(array $suspects, array $feel, Solution $solution, SoFar $soFar): array
    {
        $felt = array_map(static fn (Suspect $one): string => $one->candidate->at->key(), array_merge([], ...array_values($feel)));
        $left = [];
        foreach ($suspects as $suspect) {
            $candidate = $suspect->candidate;
            if (! $suspect->isAsked && ! in_array($candidate->at->key(), $felt, true) && ! $solution->has($candidate->at->key())) {
                $left[] = LeftOut::muscle(
                    $candidate->at, $candidate->name,
                    Reason::of(ReasonKind::Unfelt, $soFar->wasFelt($candidate->at)
                        ? 'Felt at the table, and nothing is written of it.'
                        : 'Suspected, and felt by nobody.'),
                );
            }
        }

        return $left;
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
    private function result(
        Solution $solution, array $targets, array $leftOut, array $steps, TimeBudget $clock, CaseFile $case, HandChoices $choices,
        HandBudgets $hands, OwnTools $own,
    ): PlanResult {
        $in = array_map(static fn (Chosen $chosen): string => $chosen->target->key, $solution->chosen);
        foreach ($targets as $target) {
            if (! in_array($target->key, $in, true)) {
                $leftOut[] = LeftOut::target(
                    $target,
                    Reason::of(ReasonKind::Worth, 'Worth less than the others in '.($clock->budget / TimeBudget::PER_MINUTE).' minutes.'),
                );
            }
        }
        $chosen = array_map(fn (Chosen $one): array => [
            ...LeftOut::idOf($one->target), 'side' => $one->target->side->value, 'name' => $one->target->name,
            'minutes' => round($one->minutes(), 3), 'size' => $one->composition->size->value,
            'situation' => $one->target->work === null ? 'stiff' : $this->recipes->words($one->target->work->situation),
            'role' => $one->target->role->value, 'words' => $one->target->candidate->word ?? 'stiff', 'locked' => $one->target->locked,
            'worth' => round($one->target->benefit($one->minutes()), 5),
            ...$one->target->work === null ? [] : [
                'choices' => $can = $choices->of($one),
                'refused' => $choices->refused($one, $case->session->target($one->target->key), $can),
            ],
        ], $solution->chosen);
        usort(
            $chosen,
            static fn (array $a, array $b): int => [$b['worth'], $a['name'], $a['side']] <=> [$a['worth'], $b['name'], $b['side']],
        );
        $because = $chosen === []
            ? 'Nothing to press today: calm, warm and compare.'
            : 'Most worth in '.($clock->budget / TimeBudget::PER_MINUTE).' minutes, within every limit.';

        $load = $this->load($steps);

        return PlanResult::of(
            $because, (new Headline(
                $this->atlas, $case, $this->figures->jointSupport * $this->figures->roleWeight(Role::Source),
            ))->of($solution, $steps, $leftOut, $clock), $steps, $leftOut, $solution->benefit,
            $solution->turns, $load, $chosen, $hands->asked($load), $this->figures->leanLimitPercent,
            array_values(array_filter($this->used($steps), $own->isMeasured(...))),
            $this->figures->table->of($load, $case->therapist->tableCm),
        );
    }

    /**
     * @param  list<PlanStep>  $steps
     * @return array<string, float>
     */
    private function load(array $steps): array
    {
        $load = [];
        foreach ($steps as $step) {
            foreach ($step->manoeuvres as $one) {
                if (($one->pressure ?? 0) >= $this->figures->firmFrom) {
                    $load[$one->tool] = ($load[$one->tool] ?? 0) + $one->totalSeconds() / 60;
                }
            }
        }
        ksort($load);

        return $load;
    }

    /**
     * @param  list<PlanStep>  $steps
     * @return list<string> tools that touch, each once
     */
    private function used(array $steps): array
    {
        $tools = array_map(static fn (PlanStep $step): array => [$step->tool, ...array_column($step->manoeuvres, 'tool')], $steps);

        return array_values(array_unique(array_filter(array_merge(...$tools))));
    }
}
