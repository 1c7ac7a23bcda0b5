<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ChosenTarget;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\TriggerPoint;
use Somatrace\Core\Response\Decision;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** From the ranking to what can be treated today: each target with its ways, or left out with the reason. */
final class TargetBuilder
{
    private const WATCHFUL_LOG_ODDS = 0.0;

    /** @var list<LeftOut> */
    private array $leftOut = [];

    /** No muscle explains the pain: the sore place is soothed, shortly, and nothing else is looked for. */
    private bool $calmOnly = false;

    public function __construct(
        private readonly Atlas $atlas,
        private readonly PlanFigures $figures,
        private readonly CaseFile $case,
        private readonly School $school,
        private readonly TouchGate $gate,
        private readonly ResponseResult $response,
        private readonly CeilingFinder $ceilings,
        private readonly ToolChooser $tools,
    ) {
    }

    /** @return array{list<Target>, list<LeftOut>} */
    public function build(PatternResult $pattern): array
    {
        $this->leftOut = [];
        $this->calmOnly = $pattern->ofNone->leads;
        $targets = [];
        foreach ($this->pool($pattern) as $candidate) {
            $target = $this->target($candidate);
            if ($target !== null) {
                $targets[] = $target;
            }
        }

        return [$this->withSoothing($targets, $pattern), $this->leftOut];
    }

    /**
     * Every place that hurts gets at least soothing work: the best-supported muscle under it is wanted in the plan.
     *
     * @param  list<Target>  $targets
     * @return list<Target>
     */
    private function withSoothing(array $targets, PatternResult $pattern): array
    {
        $complaints = $this->case->findings->complaints;
        usort($complaints, static fn ($a, $b): int => $a->place()->key() <=> $b->place()->key());
        foreach ($complaints as $complaint) {
            $under = fn (MuscleAt $at): bool => $complaint->liesOver($this->atlas->muscle($at->muscle), $at->side);
            if ($complaint->now === 0.0) {
                continue;
            }
            $found = array_keys(array_filter($targets, static fn (Target $target): bool => $under($target->at)));
            usort(
                $found,
                fn (int $a, int $b): int => [round($targets[$b]->weight, 9), $this->tie($targets[$a]->at)]
                    <=> [round($targets[$a]->weight, 9), $this->tie($targets[$b]->at)],
            );
            if ($found !== []) {
                $targets[$found[0]] = $targets[$found[0]]->soothing();

                continue;
            }
            foreach ($pattern->candidates as $candidate) {
                $untried = array_filter(
                    $this->leftOut, static fn (LeftOut $left): bool => $left->at->key() === $candidate->at->key(),
                ) === [];
                $target = $untried && $under($candidate->at) ? $this->target($candidate) : null;
                if ($target !== null) {
                    $targets[] = $target->soothing();

                    break;
                }
            }
        }

        usort(
            $targets,
            fn (Target $a, Target $b): int => [round($b->weight, 9), $this->tie($a->at)] <=> [round($a->weight, 9), $this->tie($b->at)],
        );

        return $targets;
    }

    /** @return list<Candidate> the hand-picked first, then by worth */
    private function pool(PatternResult $pattern): array
    {
        $picked = $this->keys($this->case->session->targets);
        $byHand = array_values(array_filter(
            $pattern->candidates, static fn (Candidate $candidate): bool => isset($picked[$candidate->at->key()]),
        ));
        $worth = array_values(array_filter(
            $pattern->candidates,
            fn (Candidate $candidate): bool => ! isset($picked[$candidate->at->key()])
                && ! $this->calmOnly
                && ($candidate->logOdds > self::WATCHFUL_LOG_ODDS && $candidate->support >= $this->figures->minSupport
                || in_array($this->response->of($candidate->at)?->decision, [Decision::Retire, Decision::Rethink], true)),
        ));
        usort(
            $worth,
            fn (Candidate $a, Candidate $b): int => [round($this->worth($b), 9), $this->tie($a->at)]
                <=> [round($this->worth($a), 9), $this->tie($b->at)],
        );

        return [
            ...$byHand, ...array_slice($worth, 0, max(0, $this->figures->maxTargets + $this->retired() - count($byHand))),
        ];
    }

    private function retired(): int
    {
        return count(array_filter(
            $this->response->targets, static fn ($target): bool => in_array($target->decision, [Decision::Retire, Decision::Rethink], true),
        ));
    }

    private function worth(Candidate $candidate): float
    {
        return $candidate->support * $this->figures->roleWeight($candidate->role);
    }

    private function target(Candidate $candidate): ?Target
    {
        $at = $candidate->at;
        $muscle = $this->atlas->muscle($at->muscle);
        $locked = $this->lockOf($at);
        $refusal = $this->refusal($candidate, $muscle, $locked);
        if ($refusal !== null) {
            return $this->leave($candidate, $refusal);
        }
        [$options, $why] = $this->options($candidate, $muscle);
        if ($options === []) {
            return $this->leave($candidate, $why);
        }
        $site = array_values($options)[0]->places[0] ?? new Place($muscle->zones[0] ?? '', $at->side);
        $done = array_sum(array_map(
            static fn ($step): float => $step->at()->key() === $at->key() ? $step->minutes : 0.0, $this->case->session->doneSteps,
        ));

        return new Target(
            $at, $muscle, $candidate, max($this->worth($candidate), $locked === null ? 0 : 0.01), $this->figures->tau($muscle->tissue),
            $this->figures->region($site->zone), $options, $locked === true, false, $done,
        );
    }

    /** true when it must be in the plan, false when it was only added, null when nobody chose it by hand */
    private function lockOf(MuscleAt $at): ?bool
    {
        foreach ($this->case->session->targets as $chosen) {
            if ($chosen->at()->key() === $at->key()) {
                return $chosen->lock;
            }
        }

        return null;
    }

    private function refusal(Candidate $candidate, Muscle $muscle, ?bool $locked): ?Reason
    {
        $decision = $this->response->of($candidate->at);
        $stopped = array_filter(
            $this->case->session->doneSteps, static fn ($step): bool => $step->stopped && $step->at()->key() === $candidate->at->key(),
        );

        return match (true) {
            isset($this->keys($this->case->session->dropped)[$candidate->at->key()]) => Reason::of(ReasonKind::Dropped, 'Dropped by hand.'),
            $stopped !== [] => Reason::of(ReasonKind::Stopped, 'Stopped earlier today.'),
            $locked === null && in_array($decision?->decision, [Decision::Retire, Decision::Rethink], true)
                => Reason::of(ReasonKind::Course, $decision->because),
            $muscle->advanced && $this->case->therapist->experience !== 'advanced'
                => Reason::of(ReasonKind::Training, 'Only for a therapist with advanced training.'),
            default => null,
        };
    }

    /** @return array{array<string, Option>, Reason} options by family, and why there are none */
    private function options(Candidate $candidate, Muscle $muscle): array
    {
        $options = [];
        $why = Reason::of(ReasonKind::Position, 'Cannot be reached in the positions that are possible today.');
        foreach ($this->positions($candidate->at, $muscle) as $preference => $position) {
            $family = $this->atlas->position($position)->family;
            $possible = $this->case->session->positionsPossible;
            if (isset($options[$family]) || ($possible !== [] && ! in_array($position, $possible, true))) {
                continue;
            }
            $option = $this->option($candidate, $muscle, $position, $preference);
            if ($option instanceof Option) {
                $options[$family] = $option;
            } else {
                $why = $option;
            }
        }

        return [$this->withoutNeedlessSideLying($options), $why];
    }

    /**
     * In the order of preference; for the low back the school has a say.
     *
     * @return list<string>
     */
    private function positions(MuscleAt $at, Muscle $muscle): array
    {
        $positions = $muscle->positionsFor($at->side);
        $first = match ($this->school->chose('low_back')) {
            'face_down' => 'prone',
            'side_lying' => $at->side === Side::Left ? 'side_right' : 'side_left',
            default => null,
        };
        $lowBack = array_intersect($muscle->zones, ['low_back', 'flank']) !== [];

        return $lowBack && $first !== null && in_array($first, $positions, true)
            ? array_values(array_unique([$first, ...$positions]))
            : $positions;
    }

    /**
     * Treating one side only is a mistake to make hard: lying on the side hides the other one, so it is used where it
     * is the best way to a muscle or the only one left.
     *
     * @param  array<string, Option>  $options
     * @return array<string, Option>
     */
    private function withoutNeedlessSideLying(array $options): array
    {
        // an hour on a stool is no treatment: sitting is for what cannot be reached lying
        $options = count($options) > 1 ? array_diff_key($options, ['seated' => true]) : $options;
        $lying = array_filter($options, static fn (Option $option): bool => in_array($option->family, ['supine', 'prone'], true));
        if ($lying === [] || $this->school->is('both_sides', 'affected_only')) {
            return $options;
        }

        return array_filter($options, static fn (Option $option): bool => $option->otherSideReachable || $option->preference === 0);
    }

    /** Of two of equal worth the busy side comes first: decided by name alone, a mirrored client would get another plan. */
    private function tie(MuscleAt $at): string
    {
        return ($at->side->value === ($this->case->client->hand ?? 'right') ? '0' : '1').$at->key();
    }

    private function option(Candidate $candidate, Muscle $muscle, string $position, int $preference): Option|Reason
    {
        $why = Reason::of(ReasonKind::Technique, 'No technique is left for it.');
        foreach ($this->sites($candidate, $muscle) as $site) {
            $places = array_map(static fn (string $zone): Place => new Place($zone, $candidate->at->side), $muscle->zonesOf($site));
            foreach ($this->techniques($candidate, $muscle, $site) as $technique) {
                $forbidden = $this->gate->forbidding(
                    new ProposedWork($places, $technique->id, null, $position, null, $candidate->at, $site),
                );
                if ($forbidden !== null) {
                    $why = Reason::forbiddenBy($forbidden);

                    continue;
                }
                $choice = $this->tools->choose(
                    $muscle, $site, $technique,
                    PressureScale::of($candidate->at, $this->case, $this->atlas, $this->figures->pptFelt),
                    fn (Tool $tool): Ceiling => $this->ceilingWith($candidate->at, $places, $technique, $tool, $position, $site),
                );
                if ($choice === null) {
                    $why = Reason::of(ReasonKind::Tool, 'No tool gives what it needs within the limits.');

                    continue;
                }
                $most = $this->gate->minutesCap(
                    new ProposedWork($places, $technique->id, $choice[0]->id, $position, null, $candidate->at, $site),
                )->value ?? 180;
                $most = $this->calmOnly ? min((float) $most, $this->figures->calmMinutes) : $most;

                return new Option(
                    $this->atlas->position($position)->family, $position, $site, $places, $technique->id, $choice[0]->id, $choice[1],
                    (float) $most, $preference, in_array($position, $muscle->positionsFor($candidate->at->side->mirrored()), true),
                );
            }
        }

        return $why;
    }

    /** @param  list<Place>  $places */
    private function ceilingWith(MuscleAt $at, array $places, Technique $technique, Tool $tool, string $position, string $site): Ceiling
    {
        $work = new ProposedWork($places, $technique->id, $tool->id, $position, null, $at, $site);
        $forbidden = $this->gate->forbidding($work);

        return $forbidden === null
            ? $this->ceilings->of($at, $work)
            : Ceiling::lowestOf(new Cap(0, 'forbidden', $forbidden->because()));
    }

    /** @return list<string> the sorest site that was felt, then where it is usually worked, then the belly */
    private function sites(Candidate $candidate, Muscle $muscle): array
    {
        $felt = [];
        foreach ($this->case->findings->palpation as $finding) {
            if ($finding->at()->key() === $candidate->at->key() && $finding->site !== null) {
                $felt[$finding->site] = $finding->tenderness ?? 0;
            }
        }
        ksort($felt);
        arsort($felt);

        return array_values(array_unique([...array_keys($felt), $muscle->workSite, ...($muscle->isStructure ? [] : ['belly'])]));
    }

    /** @return list<Technique> in the order to try them */
    private function techniques(Candidate $candidate, Muscle $muscle, string $site): array
    {
        $ids = $muscle->techniquesAt($site);
        if (
            in_array($candidate->triggerPoint, [TriggerPoint::Active, TriggerPoint::Latent], true)
                && in_array('trigger_point_hold', $ids, true)
        ) {
            $ids = ['trigger_point_hold', ...$ids];
        }
        if ($muscle->isStructure) {
            $first = [
                'cross_fibre' => 'cross_fibre', 'pin_and_lengthen' => 'pin_and_lengthen', 'broad_only' => 'compressive_hold',
            ][$this->school->chose('tendon')] ?? 'compressive_hold';
            $ids = [$first, ...$ids];
        }
        $techniques = [];
        foreach (array_unique($ids) as $id) {
            $technique = $this->atlas->technique($id);
            $tooEarly = $technique->isLateStageOnly() && ! $this->isLate();
            if (! $tooEarly && ! in_array($id, $this->case->therapist->scopeOff, true)) {
                $techniques[] = $technique;
            }
        }

        return $techniques;
    }

    /** Every complaint is known to be older than the sub-acute stage. */
    private function isLate(): bool
    {
        foreach ($this->case->findings->complaints as $complaint) {
            if (
                $complaint->since === null || Dates::days($complaint->since, $this->case->asOf) <= $this->figures->lateStageDays
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<ChosenTarget>  $chosen
     * @return array<string, true>
     */
    private function keys(array $chosen): array
    {
        return array_fill_keys(array_map(static fn (ChosenTarget $target): string => $target->at()->key(), $chosen), true);
    }

    private function leave(Candidate $candidate, Reason $reason): null
    {
        $this->leftOut[] = new LeftOut($candidate->at, $candidate->name, $reason);

        return null;
    }
}
