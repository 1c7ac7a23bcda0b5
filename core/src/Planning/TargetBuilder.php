<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ChosenTarget;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\Composer;
use Somatrace\Core\Handwork\Composition;
use Somatrace\Core\Handwork\Exposed;
use Somatrace\Core\Handwork\Felt;
use Somatrace\Core\Handwork\JointComposer;
use Somatrace\Core\Handwork\MinutesCap;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\PressureScales;
use Somatrace\Core\Handwork\Reason;
use Somatrace\Core\Handwork\ReasonKind;
use Somatrace\Core\Handwork\RoutineStages;
use Somatrace\Core\Handwork\School;
use Somatrace\Core\Handwork\Situation;
use Somatrace\Core\Handwork\SituationReader;
use Somatrace\Core\Handwork\SoFar;
use Somatrace\Core\Handwork\StiffJoints;
use Somatrace\Core\Handwork\Work;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Pattern\WholePattern;
use Somatrace\Core\Response\Decision;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Response\TargetDecision;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** From the ranking to what can be treated today: each target with its ways, or left out with the reason. */
final class TargetBuilder
{
    private const WATCHFUL_LOG_ODDS = 0.0;

    private const MOST_ROUNDS = 3;

    /** @var array<string, Felt> by muscle and side */
    private readonly array $felt;

    private readonly Felt $nothing;

    /** @var list<LeftOut> */
    private array $leftOut = [];

    /** @var list<Suspect> what the ranking suspects, or work asks for, and nobody felt, though something was felt today */
    private array $suspects = [];

    /** @var array<string, true> what the whole pattern wants in front, by muscle and side */
    private array $wanted = [];

    /** No muscle explains the pain: the sore place is soothed, shortly, and nothing else is looked for. */
    private bool $calmOnly = false;

    public function __construct(
        private readonly Atlas $atlas,
        private readonly PlanFigures $figures,
        private readonly CaseFile $case,
        private readonly School $school,
        private readonly TouchGate $gate,
        private readonly ResponseResult $response,
        private readonly Composer $composer,
        private readonly SituationReader $situations,
        private readonly Exposed $exposed,
        private readonly JointComposer $jointComposer,
        private readonly StiffJoints $stiff,
        private readonly PressureScales $scales,
        private readonly SoFar $soFar,
        private readonly RoutineStages $stages,
        private readonly WholePattern $whole,
        private readonly ?Side $busy,
    ) {
        $this->felt = Felt::everywhere($case);
        $this->nothing = Felt::nothing();
    }

    public function build(PatternResult $pattern): Proposal
    {
        $this->leftOut = $this->suspects = [];
        $this->calmOnly = $pattern->ofNone->leads;
        $this->wanted = $this->whole->wanted($pattern, $this->busy);
        $targets = [];
        $session = $this->case->session;
        $most = $this->figures->mostFound($session->now->minutesLeft ?? $session->minutes ?? $this->figures->defaultMinutes);
        foreach ($this->pool($pattern) as $candidate) {
            if (count($targets) >= $most && $this->lockOf($candidate->at->key()) === null) {
                $this->leave(
                    $candidate, Reason::of(ReasonKind::Worth, 'More was found than a visit can hold: what is worth more comes first.'),
                );

                continue;
            }
            $target = $this->target($candidate);
            if ($target !== null) {
                $targets[] = $target;
            }
        }

        $targets = [...$targets, ...$this->joints($pattern)];
        [$targets, $soothed] = $this->withSoothing([...$targets, ...$this->asked($targets, $pattern)]);

        return new Proposal(array_map($this->inWholePattern(...), $targets), $this->leftOut, $this->suspects, $soothed);
    }

    /** What is in front of the busy side comes before neck, head and back, unless the school begins where it hurts. */
    private function inWholePattern(Target $target): Target
    {
        return match (true) {
            $this->busy === null || ! $this->school->is('order', 'source_first') => $target,
            $target->work !== null && $this->whole->isFront($target->work->at, $this->busy) => $target->led(0),
            $this->whole->isAfterFront($target->region) => $target->led(1),
            default => $target,
        };
    }

    /** What gives way behind is calmed, not lengthened or pressed hard. */
    private function situation(Candidate $candidate, Felt $felt): Situation
    {
        $situation = $this->situations->of($candidate->at, $candidate->role, $candidate->triggerPoint, $felt);
        $calmed = $this->busy !== null && $this->whole->isBehind($candidate->at, $this->busy)
            && in_array($situation, [Situation::Taut, Situation::Point, Situation::Stuck, Situation::First], true);

        return $calmed ? Situation::Overstretched : $situation;
    }

    /**
     * The neighbours that belong to the work on what was found: felt first where nobody felt them, worked where they are tight, nothing
     * where they are quiet.
     *
     * @param  list<Target>  $targets
     * @return list<Target>
     */
    private function asked(array $targets, PatternResult $pattern): array
    {
        $there = array_fill_keys([
            ...array_map(static fn (Target $one): string => $one->key, $targets),
            ...array_map(static fn (LeftOut $one): string => $one->key, $this->leftOut),
            ...array_map(static fn (Suspect $one): string => $one->candidate->at->key(), $this->suspects),
        ], true);
        $felt = $this->somethingWasFelt();
        $asked = [];
        foreach ($targets as $target) {
            $neighbours = match (true) {
                ! $target->isFound() => [],
                $target->joint !== null => $this->stages->askedByJoint($target->joint->joint->id),
                default => $this->stages->askedBy($target->work->at->muscle ?? ''),
            };
            foreach ($neighbours as $muscle) {
                $at = new MuscleAt($muscle, $target->side);
                $candidate = isset($there[$at->key()]) ? null : $pattern->of($at);
                $there[$at->key()] = true;
                $own = $this->feltAt($at);
                if ($candidate !== null && $own->isFelt() && ! $own->isQuiet()) {
                    $asked[] = $this->target($candidate);
                } elseif ($candidate !== null && $felt && ! $own->isFelt()) {
                    $this->suspects[] = new Suspect($candidate, true);
                }
            }
        }

        return array_values(array_filter($asked));
    }

    /**
     * Every place that hurts gets at least soothing work: the best-supported target under it is wanted in the plan; where there is none,
     * the place itself is soothed.
     *
     * @param  list<Target>  $targets
     * @return array{list<Target>, list<Place>} the targets, and places that hurt with none under them
     */
    private function withSoothing(array $targets): array
    {
        $soothed = [];
        $complaints = $this->case->findings->complaints;
        usort($complaints, static fn ($a, $b): int => $a->place()->key() <=> $b->place()->key());
        foreach ($complaints as $complaint) {
            $under = fn (MuscleAt $at): bool => $complaint->liesOver($this->atlas->muscle($at->muscle), $at->side);
            if ($complaint->now === 0.0 || $this->soFar->wasSoothed($complaint->place(), $under)) {
                continue;
            }
            $found = array_keys(array_filter(
                $targets, static fn (Target $target): bool => $target->work !== null && $under($target->work->at),
            ));
            usort(
                $found,
                fn (int $a, int $b): int => [round($targets[$b]->weight, 9), $this->tie($targets[$a]->key, $targets[$a]->side)]
                    <=> [round($targets[$a]->weight, 9), $this->tie($targets[$b]->key, $targets[$b]->side)],
            );
            $moved = array_filter($targets, static fn (Target $one): bool => $one->joint !== null && $one->side === $complaint->side
                && in_array($complaint->zone, $one->zones, true));
            if ($found !== []) {
                $targets[$found[0]] = $targets[$found[0]]->soothing();
            } elseif ($moved === []) {
                $soothed[$complaint->place()->key()] = $complaint->place();
            }
        }

        usort(
            $targets,
            fn (Target $a, Target $b): int => [round($b->weight, 9), $this->tie($a->key, $a->side)]
                <=> [round($a->weight, 9), $this->tie($b->key, $b->side)],
        );

        return [$targets, array_values($soothed)];
    }

    /** @return list<Candidate> the hand-picked and what was found first, then by worth */
    private function pool(PatternResult $pattern): array
    {
        $picked = $this->keys(
            array_values(array_filter($this->case->session->targets, static fn (ChosenTarget $one): bool => $one->isPicked())),
        );
        $felt = $this->somethingWasFelt();
        $settled = $this->settled();
        $named = $worth = $suspects = [];
        foreach ($pattern->candidates as $candidate) {
            $key = $candidate->at->key();
            $own = $this->felt[$key] ?? $this->nothing;
            $decided = isset($settled[$key]);
            $supported = isset($this->wanted[$key])
                || ($candidate->logOdds > self::WATCHFUL_LOG_ODDS && $candidate->support >= $this->figures->minSupport);
            if (isset($picked[$key]) || (! $this->calmOnly && $own->isFound())) {
                $named[] = $candidate;
            } elseif ($this->calmOnly || ! ($supported || $decided)) {
                continue;
            } elseif ($own->isQuiet() && ! $decided) {
                $this->leave($candidate, Reason::of(ReasonKind::Quiet, 'Felt today and quiet.'));
            } elseif ($felt && ! $own->isFelt() && ! $decided) {
                $suspects[] = $candidate;
            } else {
                $worth[] = $candidate;
            }
        }
        [$named, $worth, $suspects] = array_map($this->byWorth(...), [$named, $worth, $suspects]);

        $this->suspects = array_map(static fn (Candidate $one): Suspect => new Suspect($one, false), $suspects);

        return [...$named, ...array_slice($worth, 0, max(0, $this->figures->maxTargets + count($settled) - count($named)))];
    }

    /**
     * @param  list<Candidate>  $candidates
     * @return list<Candidate>
     */
    private function byWorth(array $candidates): array
    {
        $rows = array_map(
            fn (Candidate $one): array => [-round($this->worth($one), 9), $this->tie($one->at->key(), $one->at->side), $one], $candidates,
        );
        usort($rows, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return array_column($rows, 2);
    }

    private function somethingWasFelt(): bool
    {
        foreach ($this->felt as $felt) {
            if ($felt->isFelt()) {
                return true;
            }
        }

        return false;
    }

    private function feltAt(MuscleAt $at): Felt
    {
        return $this->felt[$at->key()] ?? $this->nothing;
    }

    /** @return array<string, true> what earlier visits say is to be left, by muscle and side */
    private function settled(): array
    {
        $settled = [];
        foreach ($this->response->targets as $target) {
            if (in_array($target->decision, [Decision::Retire, Decision::Rethink], true)) {
                $settled[$target->at->key()] = true;
            }
        }

        return $settled;
    }

    private function worth(Candidate $candidate): float
    {
        return max(
            $candidate->support * $this->figures->roleWeight($candidate->role),
            isset($this->wanted[$candidate->at->key()]) ? $this->whole->frontWorth : 0.0,
        );
    }

    private function target(Candidate $candidate): ?Target
    {
        $at = $candidate->at;
        $muscle = $this->atlas->muscle($at->muscle);
        $locked = $this->lockOf($at->key());
        $refusal = $this->refusal($candidate, $muscle, $locked);
        if ($refusal !== null) {
            return $this->leave($candidate, $refusal);
        }
        // what is not agreed, or forbidden with whatever, need not be put together first
        $forbidden = $this->gate->forbidding(new ProposedWork([], null, null, null, null, $at));
        if ($forbidden !== null) {
            return $this->leave($candidate, Reason::forbiddenBy($forbidden));
        }
        $felt = $this->feltAt($at);
        $work = new Work(
            $at, $muscle, $this->situation($candidate, $felt), $felt,
            $this->sites($felt, $muscle, $this->byHand($at->key())?->site), $this->exposed->visits($at),
            ChosenTarget::orLiked($this->byHand($at->key()), $at, $this->case->therapist->preference($at->muscle)),
        );
        if ($work->situation === Situation::FirstDelicate && $this->soFar->minutes($at->key()) > 0) {
            return $this->leave($candidate, Reason::of(ReasonKind::Done, 'Held for the first time today: that is all.'));
        }
        [$options, $why] = $this->options($work);
        if ($options === []) {
            return $this->leave($candidate, $why);
        }
        $size = $work->byHand?->size;
        $options = $size === null ? $options : array_map(static fn (Option $one): Option => $one->only($size), $options);
        $done = $this->soFar->minutes($at->key());
        $weight = max($this->worth($candidate), match (true) {
            $locked !== null => $this->figures->pickedWeight,
            $felt->isFound() => $this->figures->foundWeight,
            default => 0.0,
        });

        return Target::muscle(
            $work, $candidate, $weight, $this->figures->tau($muscle->tissue), $this->figures->region($muscle->zones[0] ?? ''), $options,
            $locked === true, $done,
        );
    }

    /** @return list<Target> joints that were found stiff, or were chosen by hand */
    private function joints(PatternResult $pattern): array
    {
        $targets = [];
        foreach ($this->stiffOrChosen() as $at) {
            $target = $this->jointTarget($at, $pattern);
            if ($target instanceof Target) {
                $targets[] = $target;
            } elseif ($target->kind !== ReasonKind::Done) {
                $this->leftOut[] = LeftOut::joint($at, $target);
            }
        }

        return $targets;
    }

    /** @return array<string, JointAt> by key */
    private function stiffOrChosen(): array
    {
        $joints = $this->calmOnly ? [] : $this->stiff->all();
        foreach ($this->case->session->targets as $chosen) {
            $at = $chosen->joint === null ? null : $this->stiff->named($chosen->joint, $chosen->side);
            if ($at !== null) {
                $joints[$at->key()] = $at;
            }
        }
        ksort($joints);

        return $joints;
    }

    private function jointTarget(JointAt $at, PatternResult $pattern): Target|Reason
    {
        $key = $at->key();
        $refusal = $this->handRefusal($key);
        if ($refusal !== null) {
            return $refusal;
        }
        $blocked = $this->stiff->blocked($at);
        if ($blocked !== null) {
            return Reason::of(ReasonKind::CheckFirst, $blocked);
        }
        if ($this->soFar->minutes($key) > 0) {
            return Reason::of(ReasonKind::Done, 'Moved today already.');
        }
        $options = [];
        $why = Reason::of(ReasonKind::Position, 'Cannot be reached in the positions that are possible today.');
        $positions = array_values(array_unique(array_merge(...array_map(
            static fn ($work): array => $at->side->positions($work->positions), $at->joint->works,
        ))));
        $possible = $this->case->session->positionsPossible;
        foreach ($positions as $preference => $position) {
            $family = $this->atlas->position($position)->family;
            if (isset($options[$family]) || ($possible !== [] && ! in_array($position, $possible, true))) {
                continue;
            }
            $made = $this->jointComposer->compose($at, $position);
            if ($made instanceof Reason) {
                $why = $why->orBetter($made);
            } else {
                $places = $this->jointComposer->places($at, $position);
                $options[$family] = new Option($family, $position, $places, $made, $preference, true, [], self::minutesOf($made));
            }
        }

        return $options === [] ? $why : Target::joint(
            $at, max($this->figures->jointSupport, $pattern->ofJoint($at)->support ?? 0.0) * $this->figures->roleWeight(Role::Source),
            $this->figures->jointTau, $options,
            $this->lockOf($key) === true, 0.0,
        );
    }

    /** What the hand of the therapist says against it: dropped, stopped or skipped, gone over often enough. */
    private function handRefusal(string $key): ?Reason
    {
        return match (true) {
            isset($this->keys($this->case->session->dropped)[$key]) => Reason::of(ReasonKind::Dropped, 'Dropped by hand.'),
            $this->soFar->isStopped($key) => Reason::of(ReasonKind::Stopped, 'Stopped earlier today.'),
            $this->soFar->isSkipped($key) => Reason::of(ReasonKind::Dropped, 'Skipped earlier today.'),
            $this->soFar->rounds($key) >= self::MOST_ROUNDS => Reason::of(ReasonKind::Done, 'Gone over three times today: enough.'),
            default => null,
        };
    }

    /** true when it must be in the plan, false when it was only added, null when nobody chose it by hand */
    private function lockOf(string $key): ?bool
    {
        $byHand = $this->byHand($key);

        return $byHand?->isPicked() === true ? $byHand->lock ?? false : null;
    }

    private function byHand(string $key): ?ChosenTarget
    {
        return $this->case->session->target($key);
    }

    private function refusal(Candidate $candidate, Muscle $muscle, ?bool $locked): ?Reason
    {
        $decision = $this->response->of($candidate->at);

        return $this->handRefusal($candidate->at->key()) ?? match (true) {
            $locked === null && in_array($decision?->decision, [Decision::Retire, Decision::Rethink], true)
                => Reason::of(ReasonKind::Course, $decision->because),
            $muscle->advanced && $this->case->therapist->experience !== 'advanced'
                => Reason::of(ReasonKind::Training, 'Only for a therapist with advanced training.'),
            default => null,
        };
    }

    /** @return array{array<string, Option>, Reason} options by family, and why there are none */
    private function options(Work $work): array
    {
        $options = [];
        $why = Reason::of(ReasonKind::Position, 'Cannot be reached in the positions that are possible today.');
        $possible = $this->case->session->positionsPossible;
        $meant = $work->byHand->position ?? $this->meantPosition($work->at, $work->muscle);
        $meantFamily = $meant === null ? null : $this->atlas->position($meant)->family;
        $positions = array_filter(
            $this->positions($work->at, $work->muscle, $work->byHand?->position),
            static fn (string $one): bool => $possible === [] || in_array($one, $possible, true),
        );
        // what the school means, then what lies flat: what is not wanted beside them is not made
        foreach ([static fn (string $family): bool => $family === $meantFamily, $this->isFlat(...), static fn (): bool => true] as $turn) {
            foreach ($positions as $preference => $position) {
                $family = $this->atlas->position($position)->family;
                $needless = $position !== $work->byHand?->position
                    && $this->isNeedless($work, $position, $family, $preference, $options);
                if (isset($options[$family]) || ! $turn($family) || $needless) {
                    continue;
                }
                $option = $this->option($work, $position, $preference);
                if ($option instanceof Option) {
                    $options[$family] = $option;
                } else {
                    $why = $why->orBetter($option);
                }
            }
            if (isset($options[$meantFamily ?? ''])) {
                return [[$meantFamily => $options[$meantFamily]], $why];
            }
        }
        uasort($options, static fn (Option $a, Option $b): int => $a->preference <=> $b->preference);

        $lies = fn (string $family): bool => ! $this->atlas->position($family)->isUp;

        return [count($options) > 1 ? array_filter($options, $lies, ARRAY_FILTER_USE_KEY) : $options, $why];
    }

    private function isFlat(string $family): bool
    {
        return $this->atlas->position($family)->isFlat();
    }

    /**
     * Treating one side only is a mistake to make hard: lying on the side hides the other one, so it is used where it is the best way to a
     * muscle or the only one left. An hour on a stool is no treatment: sitting is for what cannot be reached lying.
     *
     * @param  array<string, Option>  $options  so far
     */
    private function isNeedless(Work $work, string $position, string $family, int $preference, array $options): bool
    {
        return match (true) {
            $options === [] || $this->isFlat($family) => false,
            $this->atlas->position($family)->isUp => true,
            $this->school->is('both_sides', 'affected_only') || $preference === 0 => false,
            default => array_filter(array_keys($options), $this->isFlat(...)) !== []
                && ! in_array($position, $this->positions($work->at->mirrored(), $work->muscle), true),
        };
    }

    /**
     * In the order of preference; for the low back the school has a say.
     *
     * @return list<string>
     */
    private function positions(MuscleAt $at, Muscle $muscle, ?string $byHand = null): array
    {
        $positions = [...$muscle->positionsFor($at->side), ...$this->openedBySetup($muscle)];
        $first = $byHand ?? $this->meantPosition($at, $muscle);

        return array_values(array_unique($first !== null && in_array($first, $positions, true) ? [$first, ...$positions] : $positions));
    }

    /** For the low back the school has a say. */
    private function meantPosition(MuscleAt $at, Muscle $muscle): ?string
    {
        return array_intersect($muscle->zones, $this->figures->lowBackZones) === [] ? null : match ($this->school->chose('low_back')) {
            'face_down' => $this->figures->lowBackFaceDown,
            'side_lying' => $at->side->upward(),
            default => null,
        };
    }

    /** @return list<string> positions in which a set-up brings the muscle to hand, after those in which it lies open */
    private function openedBySetup(Muscle $muscle): array
    {
        $families = [];
        foreach ($this->atlas->handwork()->positionsOpening($muscle->everyZone()) as $position) {
            $families[$this->atlas->position($position)->family] = true;
        }

        return array_keys($families);
    }

    /** Of two of equal worth the busy side comes first: decided by name alone, a mirrored client would get another plan. */
    private function tie(string $key, Side $side): string
    {
        return ($side->value === ($this->case->client->hand ?? 'right') ? '0' : '1').$key;
    }

    private function option(Work $work, string $position, int $preference): Option|Reason
    {
        $made = $this->composer->compose($work, $position);
        if ($made instanceof Reason) {
            return $made;
        }
        // where nobody told what was done, it is done once it had the time of its shortest
        $done = $this->soFar->minutes($work->at->key());
        $untold = $done > 0 && $this->soFar->techniques($work->at->key()) === [];
        if ($untold && $done + 1e-9 >= $made[array_key_first($made)]->minutes()) {
            return Reason::of(ReasonKind::Done, 'Worked today already.');
        }
        $most = $this->mostMinutes($work, $made, $position);
        $fitting = array_filter($made, static fn (Composition $one): bool => $one->minutes() <= $most->minutes + 1e-9);
        if ($fitting === []) {
            return Reason::of(ReasonKind::Minutes, $most->because);
        }
        $places = [];
        foreach ($made[array_key_last($made)]->manoeuvres as $manoeuvre) {
            foreach ($work->muscle->zonesOf($manoeuvre->site) as $zone) {
                $places[$zone] = new Place($zone, $work->at->side);
            }
        }

        return new Option(
            $this->atlas->position($position)->family, $position, array_values($places), $fitting, $preference,
            in_array($position, $this->positions($work->at->mirrored(), $work->muscle), true),
            $this->otherSide($work, $fitting, $position), self::minutesOf($fitting),
        );
    }

    /**
     * @param  array<string, Composition>  $made
     * @return array<string, float> minutes by size
     */
    private static function minutesOf(array $made): array
    {
        return array_map(static fn (Composition $one): float => round($one->minutes(), 2), $made);
    }

    /**
     * The other side is worked when it has a finding of its own, which makes it a target, or where school or routine say both. The same
     * then, or lighter: less strong, half as long, and no point held for symmetry.
     *
     * @param  non-empty-array<string, Composition>  $made
     * @return array<string, Composition> by size of this side
     */
    private function otherSide(Work $work, array $made, string $position): array
    {
        $equal = $this->school->is('both_sides', 'always_equal');
        if (
            ! ($work->byHand->otherSide ?? ($equal || $this->isAlwaysBoth($work->muscle)))
                || ! in_array($position, $work->muscle->positionsFor($work->at->side->mirrored()), true)
        ) {
            return [];
        }
        $at = $work->at->mirrored();
        $felt = $this->feltAt($at);
        $situation = $felt->points() === [] && $work->situation === Situation::Point ? Situation::Taut : $work->situation;
        $across = new Work($at, $work->muscle, $situation, $felt, $work->sites, $this->exposed->visits($at));
        $other = $this->composer->compose($across, $position);
        if ($other instanceof Reason) {
            return [];
        }
        // lighter is true of the hand as well as of the feeling: a side that bears more is not pressed harder for it
        $scale = fn (MuscleAt $one): float => $this->scales->of($one)->kPaPerPoint;
        $softer = min(1.0, $scale($work->at) / $scale($at));
        $most = 60 * $this->mostMinutes($across, $other, $position)->minutes;
        $both = [];
        foreach ($made as $size => $own) {
            $one = $other[$size] ?? $other[array_key_first($other)];
            $caps = [new Cap(floor(2 * $own->strongest() * $softer) / 2, 'no_harder', 'The hand presses no harder than on the sore side.')];
            if (! $equal) {
                $caps[] = new Cap(
                    min($this->figures->otherSideCap, max(1, $own->strongest() - 1)), 'other_side', 'The other side is done lighter.',
                );
            }
            $lighter = $one->under(...$caps);
            $lighter = $equal && $one->seconds() <= $most
                ? $lighter
                : $lighter?->shortened(min($most, $own->seconds() / ($equal ? 1 : 2)), $this->figures->usual->pointHold);
            if ($lighter !== null) {
                $both[$size] = $lighter;
            }
        }

        return $both;
    }

    private function isAlwaysBoth(Muscle $muscle): bool
    {
        foreach ($this->atlas->handwork()->stagesOf($muscle->id) as [$routine]) {
            if ($routine->alwaysBoth) {
                return true;
            }
        }

        return false;
    }

    /** @param  non-empty-array<string, Composition>  $made */
    private function mostMinutes(Work $work, array $made, string $position): MinutesCap
    {
        $cap = $this->figures->mostMinutes($work->muscle, $this->situations->isFirstTime($work->muscle));
        $share = $this->figures->frailty->share($this->case);
        $cap = $share < 1 ? new MinutesCap($share * $cap->minutes, 'Worked for two thirds of the usual minutes only.') : $cap;
        foreach ($made[array_key_last($made)]->manoeuvres as $one) {
            $places = array_map(static fn (string $zone): Place => new Place($zone, $work->at->side), $work->muscle->zonesOf($one->site));
            $limit = $this->gate->minutesCap(
                new ProposedWork($places, $one->technique, $one->tool, $position, $one->product, $work->at, $one->site),
            );
            $cap = $limit === null ? $cap : $cap->and(new MinutesCap((float) $limit->value, $limit->because()));
        }

        $done = $this->soFar->minutes($work->at->key());
        $cap = $done > 0
            ? new MinutesCap(max(0.0, $cap->minutes - $done), 'Worked for '.round($done, 1).' minutes today already.')
            : $cap;

        $cap = $this->calmOnly ? $cap->and(new MinutesCap($this->figures->calmMinutes, 'No muscle explains it: only to calm.')) : $cap;
        $shorter = $this->shorter($this->response->of($work->at), $made[array_key_first($made)]->minutes());

        return $shorter === null ? $cap : $cap->and($shorter);
    }

    /** What was too much is shorter next time, a share of it for each step; never so short that nothing is left of it. */
    private function shorter(?TargetDecision $decision, float $least): ?MinutesCap
    {
        if ($decision?->decision !== Decision::Regress || $decision->lastMinutes === null) {
            return null;
        }
        $share = $this->figures->regressShare ** -$decision->pressureStep;

        return new MinutesCap(max($share * $decision->lastMinutes, min($least, $decision->lastMinutes)), $decision->because);
    }

    /** @return list<string> the site chosen by hand, the sorest that was felt, then where it is usually worked, then the belly */
    private function sites(Felt $felt, Muscle $muscle, ?string $byHand): array
    {
        $first = $byHand === null ? [] : [$byHand];

        return array_values(array_unique([...$first, ...$felt->sites(), $muscle->workSite, ...($muscle->isStructure ? [] : ['belly'])]));
    }

    /**
     * @param  list<ChosenTarget>  $chosen
     * @return array<string, true>
     */
    private function keys(array $chosen): array
    {
        return array_fill_keys(array_map(static fn (ChosenTarget $target): string => $target->key(), $chosen), true);
    }

    private function leave(Candidate $candidate, Reason $reason): null
    {
        if ($reason->kind === ReasonKind::Done) {
            return null; // what was worked is not left out
        }
        $this->leftOut[] = LeftOut::muscle($candidate->at, $candidate->name, $reason);

        return null;
    }
}
