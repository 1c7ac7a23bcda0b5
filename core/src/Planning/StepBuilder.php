<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Caution;
use Somatrace\Core\Anatomy\CautionKind;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Position;
use Somatrace\Core\Anatomy\RegionWork;
use Somatrace\Core\Anatomy\RoutineStage;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Handwork\Cap;
use Somatrace\Core\Handwork\Composition;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\Pass;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\PressureScale;
use Somatrace\Core\Handwork\PressureScales;
use Somatrace\Core\Handwork\Recipes;
use Somatrace\Core\Handwork\RoutineStages;
use Somatrace\Core\Handwork\School;
use Somatrace\Core\Handwork\Size;
use Somatrace\Core\Handwork\SoFar;
use Somatrace\Core\Handwork\ToolChooser;
use Somatrace\Core\Handwork\UsualHands;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\Offer;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** Lays a solution out in time: settle, warm, treat, rest, compare, turn, finish, talk. */
final class StepBuilder
{
    /** quarter minutes: less is no stroke */
    private const LEAST_WARM_UP = 2;

    private readonly UsualHands $usual;

    /** the position that is left when no other may be taken, and in which one gets up */
    private readonly string $seat;

    /** On the back: how one lies where nothing asks otherwise, and from where one sits up. */
    private readonly string $flat;

    /** @var list<PlanStep> */
    private array $steps = [];

    private string $position = '';

    /** @var array<string, true> stages of routines that were done before the work already */
    private array $prepared = [];

    /** @var array<string, Check> what is measured once the client is up */
    private array $upright = [];

    /** @var array<string, array{Check, int}> what is measured lying otherwise than it was worked, if there is time; the steps until then */
    private array $otherwise = [];

    /** @var array<string, true> places that were warmed */
    private array $warm = [];

    /** position family in which something was warmed last */
    private string $lies = '';

    /** @var array<int, int> quarter minutes a warm-up may last longer, by its place among the steps */
    private array $warmUps = [];

    /** There is oil on the hands and where they were. */
    private bool $oily = false;

    /** Seconds of deep work since the last broad stroke or rest. */
    private float $deep = 0.0;

    public function __construct(
        private readonly Atlas $atlas,
        private readonly PlanFigures $figures,
        private readonly CaseFile $case,
        private readonly TouchGate $gate,
        private readonly School $school,
        private readonly TimeBudget $clock,
        private readonly Recipes $recipes,
        private readonly ToolChooser $tools,
        private readonly RoutineStages $stages,
        private readonly PressureScales $scales,
        private readonly SoFar $soFar,
        private readonly Checks $checks,
        private readonly float $therapistKg,
    ) {
        $this->usual = $figures->usual;
        $up = array_filter($atlas->positions, static fn (Position $one): bool => $one->isUp);
        $this->seat = array_key_first($up) ?? throw new \LogicException('no position is said to be upright');
        $this->flat = array_key_first($atlas->positions) ?? $this->seat;
    }

    /**
     * @param  list<Offer>  $offers
     * @param  list<Place>  $soothe  places that hurt and are only soothed
     * @param  int  $reserve  quarter minutes to be left for what is felt first
     * @return list<PlanStep>
     */
    public function build(Solution $solution, array $offers, array $soothe, int $reserve): array
    {
        $this->steps = [];
        $this->oily = $this->soFar->isOily();
        $this->prepared = $this->warmUps = $this->warm = [];
        $this->lies = '';
        $this->upright = $this->otherwise = [];
        $this->deep = $this->soFar->deepSeconds();
        $order = $solution->families === [] ? [$this->restingPosition($soothe)] : $solution->families;
        foreach ($order as $index => $family) {
            $blocks = $this->blocks($solution, $family);
            $this->position = $family;
            if ($index === 0 && $this->soFar->runs()) {
                $this->goOn($family, $solution, $offers);
            } elseif ($index === 0) {
                $this->pause(
                    StepKind::Settle, $this->clock->settle, 'Settle',
                    ($this->position === $this->seat ? 'Sit, leaning on the head rest or cushions, draped' : 'Lie down, draped')
                        .'; say how strong and how to stop.', [
                            ...Caution::each(CautionKind::Hygiene, 'hygiene_before', $this->figures->hygieneBefore),
                            ...array_map(self::watched(...), $this->gate->watchedEverywhere()),
                        ],
                );
                array_map($this->offer(...), $offers);
            } else {
                $this->turn($family);
            }
            array_map(fn (array $block) => $this->block($block, $family), $blocks);
            $soothe = array_values(array_filter($soothe, fn (Place $place): bool => ! $this->soothe($place)));
        }
        $this->end($solution, $reserve);

        return $this->steps;
    }

    /**
     * A treatment that runs goes on where it stands: the glove comes off, what was worked and not measured since is measured before the
     * client turns.
     *
     * @param  list<Offer>  $offers
     */
    private function goOn(string $family, Solution $solution, array $offers): void
    {
        $this->position = $this->soFar->family() ?? $family;
        if ($this->soFar->isGloved()) {
            $this->hygiene(['glove_off_wash' => TimeBudget::quarters($this->figures->hygieneMinutes['glove_off_wash'])]);
        }
        $waiting = array_values(array_filter($this->soFar->unchecked(), static fn (string $key): bool => ! $solution->has($key)));
        $needed = $this->clock->finish + $this->clock->aftercare + $this->clock->recheck + (
            $this->position === $family ? 0 : $this->clock->turn
        );
        if ($waiting !== [] && $needed <= $this->clock->budget) {
            $this->addRecheck($this->checks->after($waiting, $this->family()), $this->clock->recheck);
        }
        if ($this->position !== $family) {
            $this->position = $family;
            $this->deep = 0.0;
            $this->turn($family);
        }
        if (! $this->soFar->hasDone(StepKind::Cold->value)) {
            array_map($this->offer(...), $offers);
        }
    }

    /**
     * Where a hand comes to what is soothed; else flat before sitting, sitting before lying on a side, and then on the one that hurts less:
     * in whatever order they were named.
     *
     * @param  list<Place>  $soothe
     */
    public function restingPosition(array $soothe): string
    {
        $lies = $this->soFar->family();
        if ($lies !== null) {
            return $lies; // nobody is turned for nothing
        }
        $named = $this->case->session->positionsPossible;
        $families = array_values(array_unique(array_column($this->atlas->positions, 'family')));
        $possible = $named !== [] ? $named : ($soothe === [] ? [$this->flat] : $families);
        $hurts = [Side::Left->value => 0.0, Side::Right->value => 0.0, Side::Midline->value => 0.0];
        foreach ($this->case->findings->complaints as $complaint) {
            $hurts[$complaint->side->value] = max($hurts[$complaint->side->value], $complaint->now ?? 0.0);
        }
        $rank = array_flip(array_keys($this->atlas->positions));
        usort($possible, function (string $a, string $b) use ($hurts, $rank): int {
            $side = fn (string $position): ?Side => $this->atlas->position($position)->lowerSide;

            return [$side($a) !== null, $hurts[$side($a)->value ?? Side::Midline->value], $rank[$a]]
                <=> [$side($b) !== null, $hurts[$side($b)->value ?? Side::Midline->value], $rank[$b]];
        });
        foreach ($soothe === [] ? [] : $possible as $position) {
            if (
                $this->mayLie($position)
                    && $this->open($soothe, $this->usual->stroke, $this->usual->broad, $position) !== []
            ) {
                return $position;
            }
        }
        foreach ($possible as $position) {
            if ($this->mayLie($position)) {
                return $position;
            }
        }

        return $this->seat;
    }

    /** @return list<non-empty-list<Chosen>> the regions of a family in the order of work, each with its targets in order */
    private function blocks(Solution $solution, string $family): array
    {
        $regions = [];
        foreach ($solution->chosen as $chosen) {
            if ($chosen->option->family === $family) {
                $regions[$chosen->target->region][] = $chosen;
            }
        }
        $rank = fn (string $region): array => [
            min(array_map(self::handRank(...), $regions[$region])), min(array_map($this->leadRank(...), $regions[$region])),
            $this->figures->regionRank($region),
        ];
        uksort($regions, static fn (string $a, string $b): int => $rank($a) <=> $rank($b));

        return array_values(array_map($this->inOrder(...), $this->inPrecedence($regions)));
    }

    /**
     * Some regions come before others whatever is more urgent: the neck before the jaw, thigh and calf before the knee.
     *
     * @param  array<string, non-empty-list<Chosen>>  $regions
     * @return array<string, non-empty-list<Chosen>>
     */
    private function inPrecedence(array $regions): array
    {
        $ordered = [];
        while ($regions !== []) {
            foreach ($regions as $region => $chosen) {
                if (array_intersect($this->figures->regionsBefore[$region] ?? [], array_keys($regions)) === []) {
                    $ordered[$region] = $chosen;
                    unset($regions[$region]);

                    continue 2;
                }
            }
            break; // cannot happen: the data say of no region that it comes before itself
        }

        return [...$ordered, ...$regions];
    }

    /** The place that was given it by hand; after those that were given one where it was not. */
    private static function handRank(Chosen $chosen): int
    {
        return $chosen->target->work->byHand->order ?? PHP_INT_MAX;
    }

    private function leadRank(Chosen $chosen): int
    {
        return $chosen->target->rank($this->school->is('order', 'source_first'));
    }

    /**
     * Surface before what it covers and muscle before tendon always; source or site first as the school says, and of these as the routine
     * goes, unless the hand of the therapist said otherwise.
     *
     * @param  non-empty-list<Chosen>  $chosen
     * @return non-empty-list<Chosen>
     */
    private function inOrder(array $chosen): array
    {
        // what covers an important muscle is as urgent as the muscle itself; then as the routine goes
        $own = array_map(
            fn (Chosen $one): array => [
                self::handRank($one), $this->leadRank($one), $this->routineRank($one), -round($one->target->weight, 9),
            ], $chosen,
        );
        $ranked = [];
        foreach ($chosen as $number => $one) {
            $first = $own[$number];
            foreach ($chosen as $place => $other) {
                $first = $own[$place] < $first && $this->goesBefore($one, $other) ? $own[$place] : $first;
            }
            $ranked[] = [$first, $one->target->layer, $one->target->key, $one];
        }
        usort($ranked, static fn (array $a, array $b): int => [$a[0], $a[1], $a[2]] <=> [$b[0], $b[1], $b[2]]);
        $chosen = array_column($ranked, 3);
        $ordered = [];
        while ($chosen !== []) {
            foreach ($chosen as $index => $one) {
                $waits = array_filter($chosen, fn (Chosen $other): bool => $other !== $one && $this->goesBefore($other, $one));
                if ($waits === []) {
                    $ordered[] = $one;
                    unset($chosen[$index]);

                    continue 2;
                }
            }
            break; // cannot happen: layers and kinds have no cycle
        }

        $all = [...$ordered, ...array_values($chosen)];
        $isJoint = static fn (Chosen $one): bool => $one->target->joint !== null;
        $last = array_values(array_filter($all, $isJoint));
        $first = array_values(array_filter($all, static fn (Chosen $one): bool => ! $isJoint($one)));

        if ($first === []) {
            return $last === [] ? throw new \LogicException('an empty block of a plan') : $last;
        }

        return [...$first, ...$last];
    }

    private function routineRank(Chosen $chosen): int
    {
        return $chosen->target->work === null ? 0 : $this->stages->rank($chosen->target->work->at, $chosen->option->position);
    }

    private function goesBefore(Chosen $first, Chosen $second): bool
    {
        $sameSide = $first->target->side === $second->target->side;
        $overlap = $sameSide && array_intersect($first->target->zones, $second->target->zones) !== [];
        if ($first->target->isTendon() !== $second->target->isTendon()) {
            return $overlap && $second->target->isTendon();
        }

        return $overlap && $first->target->layer < $second->target->layer;
    }

    /**
     * A region: warmed, then gone over dry, then once more in oil, so that nothing dry comes after it and no muscle is finished before the
     * next is begun.
     *
     * @param  non-empty-list<Chosen>  $block
     */
    private function block(array $block, string $family): void
    {
        $dry = array_filter(
            $block, fn (Chosen $one): bool => array_filter($one->composition->manoeuvres, $this->isDry(...)) !== [],
        );
        if ($dry !== [] && $this->oily) {
            $this->hygiene(['wipe' => TimeBudget::quarters($this->figures->hygieneMinutes['wipe'])]);
            $this->oily = false;
        }
        $warmed = $this->warmUp($block, $family, $dry !== []);
        $round = $across = [];
        foreach ($this->parts($block) as $part) {
            foreach ($block as $index => $chosen) {
                $manoeuvres = array_values(array_filter($chosen->composition->manoeuvres, $part));
                if ($manoeuvres !== []) {
                    $this->shiftTo($chosen->option->position);
                    $round[$index] = $this->treat(
                        $chosen, $manoeuvres, $round[$index] ?? 1 + $this->soFar->rounds($chosen->target->key), $warmed,
                    );
                }
            }
            foreach ($block as $index => $chosen) {
                $across[$index] = $this->otherSide(
                    $chosen, $across[$index] ?? 1, $warmed, fn (Manoeuvre $one): bool => $part($one) && ! $this->isGloved($one),
                );
            }
        }
        $this->shiftTo($family);
        $this->rest(array_merge(...array_map(static fn (Chosen $one): array => $one->option->places, $block)));
        $this->recheck($block);
    }

    /**
     * A single target is done in one go; several are gone over dry, then what needs a glove, then in oil.
     *
     * @param  non-empty-list<Chosen>  $block
     * @return list<callable(Manoeuvre): bool>
     */
    private function parts(array $block): array
    {
        $gloved = array_filter($block, fn (Chosen $one): bool => $one->composition->uses($this->figures->glovedTechniques));
        if (count($block) === 1 && $gloved === [] && $block[0]->otherSide === null) {
            return [static fn (): bool => true];
        }

        return [
            fn (Manoeuvre $one): bool => $this->isDry($one) && ! $this->isGloved($one), $this->isGloved(...),
            fn (Manoeuvre $one): bool => ! $this->isDry($one),
        ];
    }

    private function isGloved(Manoeuvre $one): bool
    {
        return in_array($one->technique, $this->figures->glovedTechniques, true);
    }

    private function isDry(Manoeuvre $one): bool
    {
        return ! $this->atlas->isOil($one->product);
    }

    /** @param  non-empty-list<Chosen>  $block */
    private function warmUp(array $block, string $family, bool $dry): bool
    {
        $region = $this->atlas->handwork()->region($block[0]->target->region);
        $own = array_merge(...array_map(static fn (Chosen $one): array => $one->option->places, $block));
        $sides = array_map(static fn (Chosen $one): Side => $one->target->side, $block);
        $places = $this->broad($region->warm, $own, $sides);
        $open = $this->open($places, $this->usual->stroke, $this->usual->broad, $family);
        if ($open === []) {
            return false;
        }
        $known = array_filter($open, fn (Place $place): bool => ! isset($this->warm[$place->key()])) === [];
        if ($this->soFar->isWarm($own) || ($known && $this->lies === $family)) {
            return true; // what is warm is not warmed again without a turn between
        }
        $this->warm += array_fill_keys(array_map(static fn (Place $place): string => $place->key(), $open), true);
        $this->lies = $family;
        $this->deep = 0.0;
        $this->oily = $this->oily || ! $dry;
        $left = $this->clock->warmUp - $this->prepare($block, $family);
        if ($left < self::LEAST_WARM_UP) {
            return true; // what the routine does before it has warmed it
        }
        $cap = $this->gate->pressureCap(new ProposedWork($open, $this->usual->stroke, $this->usual->broad, $family));
        $pressure = min($this->figures->warmUpPressure, $cap === null ? 10 : (float) $cap->value);
        $scale = $this->scales->softest($open);
        $product = $dry ? $this->usual->noProduct : $this->product($this->usual->stroke);
        $passes = $pressure < 1 ? [] : [$this->strokes($pressure, $left * 15, $scale, $this->usual->broad)];
        $this->stroke(
            StepKind::WarmUp, $left, new Contact($open, $this->usual->stroke, $this->usual->broad, $product, $passes),
            'Warm up '.$this->zonesText($open), $this->over($region->warm, $region->warmDo, $region->warmOver, $open, $family, $sides).(
                $dry ? 'Dry or through the cloth: what follows wants grip.' : 'Too little warm-up is the commonest fault of deep work.'
            ),
            $this->underStrokes($open, $family),
        );
        $this->warmUps[count($this->steps) - 1] = $known
            ? 0
            : (int) round($region->mostMinutes * TimeBudget::PER_MINUTE) - $this->clock->warmUp;

        return true;
    }

    /**
     * Where a warming or smoothing hand goes: the zones of the region, then what is worked itself; on both sides unless the school says the
     * affected one only.
     *
     * @param  list<string>  $zones
     * @param  list<Place>  $own
     * @param  list<Side>  $affected
     * @return list<Place>
     */
    private function broad(array $zones, array $own, array $affected): array
    {
        $sides = $this->school->is('both_sides', 'affected_only') ? array_values(array_unique($affected, SORT_REGULAR)) : Side::pair();
        $places = [];
        foreach ([...$zones, ...array_map(static fn (Place $one): string => $one->zone, $own)] as $zone) {
            array_push($places, ...array_map(fn (Side $side): Place => $this->atlas->placeOn($zone, $side), $sides));
        }

        return $this->strokable($places);
    }

    /**
     * What a routine does before the work of its region, as far as it fits into the warm-up.
     *
     * @param  non-empty-list<Chosen>  $block
     * @return int quarter minutes it takes
     */
    private function prepare(array $block, string $family): int
    {
        $used = 0;
        $muscles = array_values(array_filter(array_map(static fn (Chosen $one): ?string => $one->target->work?->at->muscle, $block)));
        foreach ($this->stages->before($muscles, $this->clock->budget / TimeBudget::PER_MINUTE) as [$stage, $way]) {
            $places = $this->placesOf($stage, $block);
            $cap = $this->gate->pressureCap(new ProposedWork($places, $way->technique, $way->tool, $family));
            $pressure = min(
                $way->mostFelt ?? $way->pressure ?? $this->figures->warmUpPressure, $this->figures->warmUpPressure,
                (float) ($cap->value ?? 10),
            );
            $seconds = ($way->seconds ?? 30) * ($way->repeats ?? 1);
            $quarters = TimeBudget::quarters($seconds / 60);
            $tool = $way->tool ?? $this->usual->broad;
            $open = ! isset($this->prepared[$stage->id])
                && $places !== []
                && ! $this->case->therapist->isOff($way->technique)
                && count($this->open($places, $way->technique, $tool, $family)) === count($places);
            if (! $open || $pressure < 1 || ! $this->tools->has($tool) || $used + $quarters >= $this->clock->warmUp) {
                continue;
            }
            $used += $quarters;
            $this->prepared[$stage->id] = true;
            $passes = [$this->strokes($pressure, $seconds, $this->scales->softest($places), $tool)];
            $this->stroke(
                StepKind::WarmUp, $quarters,
                new Contact($places, $way->technique, $tool, $this->usual->noProduct, $passes, $way->say),
                $stage->name, $way->do, $this->underStrokes($places, $family),
            );
        }

        return $used;
    }

    /**
     * Broad strokes over a place: the hand is on it for a share of the time only.
     *
     * @param  int|float  $seconds  of the step, lifting and reaching included
     */
    private function strokes(float $pressure, int|float $seconds, PressureScale $scale, string $tool): Pass
    {
        return Pass::of(
            $pressure, $seconds * $this->figures->contactShare, null, $scale,
            $this->tools->own($tool), $this->therapistKg,
        );
    }

    /**
     * @param  non-empty-list<Chosen>  $block
     * @return list<Place>
     */
    private function placesOf(RoutineStage $stage, array $block): array
    {
        $sides = $stage->both ? Side::pair() : array_map(static fn (Chosen $one): Side => $one->target->side, array_slice($block, 0, 1));
        $places = [];
        foreach ($stage->zones as $zone) {
            foreach ($sides as $side) {
                $place = $this->atlas->placeOn($zone, $side);
                $places[$place->key()] = $place;
            }
        }

        return array_values($places);
    }

    /**
     * @param  list<Place>  $places
     * @return list<Caution> what lies under a stroke that asks for care
     */
    private function underStrokes(array $places, string $position): array
    {
        $work = new ProposedWork($places, $this->usual->stroke, $this->usual->broad, $position);
        $near = array_filter($this->gate->hazardsUnder($work), static fn (Hazard $hazard): bool => $hazard->broadCap !== null);

        return [
            ...array_map(self::watched(...), $this->gate->watching($work)),
            ...array_values(array_map(
                static fn (Hazard $hazard): Caution => Caution::of(
                    CautionKind::Hazard, $hazard->id, "{$hazard->name}: ".lcfirst($hazard->safeLine),
                ),
                $near,
            )),
        ];
    }

    /**
     * One target in one round, or in more where a pause comes between.
     *
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @return int the round that comes next
     */
    private function treat(Chosen $chosen, array $manoeuvres, int $round, bool $warmed): int
    {
        $target = $chosen->target;
        $gloved = array_filter($manoeuvres, $this->isGloved(...)) !== [];
        $hygiene = $gloved ? $this->clock->hygiene($chosen->composition) : [];
        $this->hygiene(array_diff_key($hygiene, ['glove_off_wash' => 0]));
        $round = $this->lay(
            $warmed ? $manoeuvres : $this->unwarmed($manoeuvres), $round, $target->isDelicate(), $chosen->option->places,
            function (array $turn, int $round) use ($chosen, $target): void {
                if ($target->work !== null) {
                    $this->work(
                        $target->work->at, $target->work->muscle, $turn, $chosen->option->places, $this->why($target), $target->name,
                        $round,
                    );
                } elseif ($target->joint !== null) {
                    $this->joint($target->joint, $turn, $chosen->option->places, $round);
                }
            },
        );
        if ($gloved) {
            $this->otherSide($chosen, 1, $warmed, $this->isGloved(...));
        }
        $this->hygiene(array_intersect_key($hygiene, ['glove_off_wash' => 0]));

        return $round;
    }

    /**
     * In turns, with a pause wherever deep work asks for one.
     *
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @param  list<Place>  $places
     * @param  callable(non-empty-list<Manoeuvre>, int): void  $step  a turn, and which round it is
     * @return int the round that comes next
     */
    private function lay(array $manoeuvres, int $round, bool $isDelicate, array $places, callable $step): int
    {
        foreach ($this->inTurns($manoeuvres) as $turn) {
            $deep = (new Composition(Size::Short, $turn, 1))->deepSeconds($this->figures->firmFrom);
            if ($this->deep > 0 && $this->deep + $deep > 60 * $this->figures->deepMinutes) {
                $this->rest($places);
            }
            $step($turn, $round++);
            $this->deep += $deep;
            if ($deep > 0 && $isDelicate) {
                $this->rest($places);
            }
        }

        return $round;
    }

    /**
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @return non-empty-list<Manoeuvre>
     */
    private function unwarmed(array $manoeuvres): array
    {
        $cap = new Cap($this->figures->firstPass, 'not_warmed', 'The place could not be warmed: nothing firm.');

        return array_map(static fn (Manoeuvre $one): Manoeuvre => $one->under($cap), $manoeuvres);
    }

    /**
     * Never more deep work in one turn than may be without a broad stroke.
     *
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @return list<non-empty-list<Manoeuvre>>
     */
    private function inTurns(array $manoeuvres): array
    {
        $turns = [[array_shift($manoeuvres)]];
        foreach ($manoeuvres as $one) {
            $last = $turns[count($turns) - 1];
            $deep = (new Composition(Size::Short, [...$last, $one], 1))->deepSeconds($this->figures->firmFrom);
            if ($deep > 60 * $this->figures->deepMinutes) {
                $turns[] = [$one];
            } else {
                $turns[count($turns) - 1] = [...$last, $one];
            }
        }

        return $turns;
    }

    /**
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @param  list<Place>  $places
     */
    private function work(
        MuscleAt $at, Muscle $muscle, array $manoeuvres, array $places, string $why, string $label, int $round = 1, bool $otherSide = false,
    ): void {
        $main = $this->longest($manoeuvres);
        $there = array_map(static fn (string $zone): Place => new Place($zone, $at->side), $muscle->zonesOf($main->site));
        $work = new ProposedWork($there, $main->technique, $main->tool, $this->position, $main->product, $at, $main->site);
        $this->oily = $this->oily || array_filter($manoeuvres, fn (Manoeuvre $one): bool => ! $this->isDry($one)) !== [];
        $words = $otherSide ? null : $this->case->session->target($at->key())?->words;
        $this->steps[] = PlanStep::treat(
            $this->minutesOf($manoeuvres), $this->position, $this->contact($main, $places, $this->passes($at, $manoeuvres)),
            Turn::onMuscle($at, $main->site, $muscle->reference()->findSteps(), $manoeuvres, $round, $otherSide, $words),
            $label, $why, $this->cautions($muscle, $work),
        );
    }

    /**
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @param  list<Place>  $places
     */
    private function joint(JointAt $at, array $manoeuvres, array $places, int $round): void
    {
        $main = $this->longest($manoeuvres);
        $scale = $this->scales->softest($places === [] ? throw new \LogicException('a joint without a place') : $places);
        $passes = [];
        foreach ($manoeuvres as $one) {
            if ($one->pressure !== null) {
                $passes[] = Pass::of(
                    $one->pressure, $one->totalSeconds(), null, $scale,
                    $this->tools->own($one->tool),
                    $this->therapistKg,
                );
            }
        }
        $this->steps[] = PlanStep::treat(
            $this->minutesOf($manoeuvres), $this->position, $this->contact($main, $places, $passes),
            Turn::onJoint($at, $manoeuvres, $round), $at->name(), 'It was found stiff. Small, slow, then measured again.',
            $this->underStrokes($places, $this->position),
        );
    }

    /** @param  non-empty-list<Manoeuvre>  $manoeuvres */
    private function minutesOf(array $manoeuvres): float
    {
        return Composition::secondsOf($manoeuvres, $this->recipes->overhead) / 60;
    }

    /**
     * @param  list<Place>  $places
     * @param  list<Pass>  $passes
     */
    private function contact(Manoeuvre $main, array $places, array $passes): Contact
    {
        return new Contact($places, $main->technique, $main->tool, $main->product, $passes, $main->clientAction ?? $main->say);
    }

    /** @param  non-empty-list<Manoeuvre>  $manoeuvres */
    private function longest(array $manoeuvres): Manoeuvre
    {
        $longest = $manoeuvres[0];
        foreach ($manoeuvres as $one) {
            $longest = $one->totalSeconds() > $longest->totalSeconds() ? $one : $longest;
        }

        return $longest;
    }

    /** A broad hand where it hurts though its source is elsewhere; false where no stroke may go or none comes to it lying so. */
    private function soothe(Place $place): bool
    {
        $work = new ProposedWork([$place], $this->usual->stroke, $this->usual->broad, $this->position);
        $cap = $this->gate->pressureCap($work);
        $pressure = min($this->figures->soothePressure, $cap === null ? 10 : (float) $cap->value);
        if ($this->gate->forbidding($work) !== null || $pressure < 1) {
            return false;
        }
        $minutes = $this->clock->soothe;
        $this->stroke(
            StepKind::Soothe, $minutes,
            new Contact(
                [$place], $this->usual->stroke, $this->usual->broad,
                $this->oily ? $this->product($this->usual->stroke) : $this->usual->noProduct,
                [$this->strokes($pressure, $minutes * 15, $this->scales->softest([$place]), $this->usual->broad)],
            ),
            'Soothe '.lcfirst($this->atlas->placeName($place)),
            'It hurts here, and nothing under it asks for work: a warm, broad hand.', $this->underStrokes([$place], $this->position),
        );

        return true;
    }

    /** @param  array<string, int>  $steps quarter minutes by what is done */
    private function hygiene(array $steps): void
    {
        foreach ($steps as $what => $quarters) {
            if ($quarters > 0) {
                $this->steps[] = PlanStep::hygiene(
                    $quarters / TimeBudget::PER_MINUTE, $this->position, $what, $what === 'glove_on' ? $this->figures->glove : null,
                    $this->figures->hygieneWords[$what], $this->figures->hygieneWhy[$what],
                );
            }
        }
    }

    /**
     * A broad stroke between deep ones; where no stroke may go the hands rest still beside it.
     *
     * @param  list<Place>  $places
     */
    private function rest(array $places): void
    {
        $this->deep = 0.0;
        if (($this->steps[count($this->steps) - 1] ?? null)?->kind === StepKind::RestStroke) {
            return;
        }
        $open = $this->open($this->strokable($places), $this->usual->stroke, $this->usual->broad, $this->position);
        if ($open === []) {
            $this->pause(
                StepKind::RestStroke, TimeBudget::quarters($this->figures->stillMinutes), 'Hands rest',
                'No stroke goes there: the hands lie still beside it.',
            );

            return;
        }
        // kneading and wringing want oil: before it a broad stroke
        $way = $this->oily ? $this->stages->between(array_map(static fn (Place $place): string => $place->zone, $open)) : null;
        $fits = $way !== null && ! $this->case->therapist->isOff($way->technique)
            && count($this->open($open, $way->technique, $this->usual->broad, $this->position)) === count($open);
        $technique = $fits ? $way->technique : $this->usual->stroke;
        $product = $this->oily ? $this->product($technique) : $this->usual->noProduct;
        $this->stroke(
            StepKind::RestStroke, $this->clock->rest, new Contact($open, $technique, $this->usual->broad, $product),
            $fits ? $this->atlas->technique($technique)->name : 'Rest stroke', $fits ? $way->do : 'A broad stroke between deep ones.',
            $this->underStrokes($open, $this->position),
        );
    }

    /**
     * The other side, lighter or the same, where routine or school asks for it.
     *
     * @param  callable(Manoeuvre): bool  $part
     * @return int the round that comes next
     */
    private function otherSide(Chosen $chosen, int $round, bool $warmed, callable $part): int
    {
        $work = $chosen->target->work;
        $manoeuvres = array_values(array_filter($chosen->otherSide->manoeuvres ?? [], $part));
        if ($manoeuvres === [] || $work === null) {
            return $round;
        }
        $at = $work->at->mirrored();
        $places = array_map(static fn (Place $place): Place => new Place($place->zone, $place->side->mirrored()), $chosen->option->places);

        return $this->lay(
            $warmed ? $manoeuvres : $this->unwarmed($manoeuvres), $round, $chosen->target->isDelicate(), $places,
            fn (array $turn, int $round) => $this->work(
                $at, $work->muscle, $turn, $places, 'Both sides are treated.', $this->atlas->nameOf($at), $round, true,
            ),
        );
    }

    /** @return list<Caution> what stops this step: what safety asks to watch there, the glove it needs, and what lies beside the muscle */
    private function cautions(Muscle $muscle, ProposedWork $work): array
    {
        $glove = $this->figures->glove;
        $gloved = in_array($work->technique, $this->figures->glovedTechniques, true)
            ? ['a fresh '.$this->atlas->products[$glove]]
            : [];

        return [
            ...array_map(self::watched(...), $this->gate->watching($work)), ...Caution::each(CautionKind::Glove, $glove, $gloved),
            ...$this->atlas->watchOf($muscle, $this->gate->hazardsUnder($work)),
        ];
    }

    private static function watched(Limit $limit): Caution
    {
        return Caution::of(CautionKind::Safety, $limit->rules[0], (string) $limit->value);
    }

    private function why(Target $target): string
    {
        $for = array_values(array_filter($target->candidate?->evidence() ?? [], static fn ($evidence): bool => $evidence->weight > 0));
        usort($for, static fn ($a, $b): int => [$b->weight, $a->code] <=> [$a->weight, $b->code]);

        return (
            $target->soothes && ! $target->isSource() ? 'It hurts here: soothing work. ' : ''
        ).ucfirst($target->role->value).', '.($target->candidate->word ?? 'found').'. '.implode(
            '. ', array_map(static fn ($evidence): string => $evidence->text(), array_slice($for, 0, 2)),
        ).'.';
    }

    /**
     * @param  non-empty-list<Manoeuvre>  $manoeuvres
     * @return list<Pass> one for each that presses
     */
    private function passes(MuscleAt $at, array $manoeuvres): array
    {
        $scale = $this->scales->of($at);
        $passes = [];
        foreach ($manoeuvres as $one) {
            if ($one->pressure !== null) {
                $hold = in_array($this->atlas->technique($one->technique)->kind, ['hold', 'held', 'grip'], true) ? $one->seconds : null;
                $passes[] = Pass::of(
                    $one->pressure, $one->totalSeconds(), $hold, $scale,
                    $this->tools->own($one->tool),
                    $this->therapistKg,
                );
            }
        }

        return $passes;
    }

    private function offer(Offer $offer): void
    {
        $around = [];
        foreach ($offer->around as $place) {
            foreach ($this->atlas->zone($place->zone)->neighbours as $zone) {
                $one = $this->atlas->placeOn($zone, $place->side);
                $around[$one->key()] = $one;
            }
        }
        $open = $this->open(array_values($around), $offer->technique, $this->usual->broad, $this->position, $offer->product);
        if ($open !== []) {
            $this->stroke(
                StepKind::Cold, (int) ($this->figures->offerMinutes * TimeBudget::PER_MINUTE),
                new Contact($open, $offer->technique, $this->usual->broad, $offer->product),
                $this->atlas->technique($offer->technique)->name.' around it',
                'Cold around it first: inflammation is dealt with before anything else.',
                Caution::each(CautionKind::Cold, $offer->technique, ['never still, dry afterwards', 'nothing on the sore place itself']),
            );
        }
    }

    /**
     * @param  list<Place>  $places
     * @return list<Place> those where the work is allowed
     */
    private function open(array $places, string $technique, string $tool, string $position, ?string $product = null): array
    {
        return array_values(array_filter(
            $places,
            fn (Place $place): bool => $this->gate->forbidding(new ProposedWork([$place], $technique, $tool, $position, $product)) === null,
        ));
    }

    private function shiftTo(string $position): void
    {
        if ($position !== $this->position) {
            $this->position = $position;
            $lies = $this->atlas->position($position);
            $this->pause(StepKind::Position, $this->clock->shift, 'Now '.$lies->name, $lies->setup);
        }
    }

    /** Under a held sheet, and then bolstered. */
    private function turn(string $family): void
    {
        $lies = $this->atlas->position($family);
        $this->pause(
            StepKind::Position, $this->clock->turn, "Turn $lies->name",
            "Hold the sheet up: they turn under it, away from you. $lies->setup",
        );
    }

    /**
     * What tells whether it helped is measured where the client lies, or once they are up; a spot is pressed again meanwhile.
     *
     * @param  non-empty-list<Chosen>  $chosen the work just done
     */
    private function recheck(array $chosen): void
    {
        usort(
            $chosen,
            static fn (Chosen $a, Chosen $b): int => [-round($a->target->weight, 9), $a->target->key]
                <=> [-round($b->target->weight, 9), $b->target->key],
        );
        $targets = array_map(static fn (Chosen $one): Target => $one->target, $chosen);
        $check = $this->checks->lying($targets, $this->family());
        $upright = $check->position === null ? $this->checks->upright($targets) : null;
        if ($upright !== null) {
            $this->upright["$upright->id {$upright->side->value}"] = $upright;
        } elseif ($check->position === null) {
            $later = $this->checks->lyingOtherwise($targets);
            if ($later !== null) {
                $this->otherwise["$later->id {$later->side->value}"] = [$later, count($this->steps)];
            }
        }
        $half = intdiv($this->clock->recheck, 2);
        $this->addRecheck($check, $upright === null ? $this->clock->recheck : $half, $targets[0]->work?->at, $chosen[0]->option->places);
    }

    /** @param  list<Place>  $places */
    private function addRecheck(Check $check, int $quarters, ?MuscleAt $at = null, array $places = [], string $how = 'Re-check'): void
    {
        if ($quarters > 0) {
            $this->steps[] = PlanStep::recheck(
                $quarters / TimeBudget::PER_MINUTE, $this->position, $check, $at, $places, "$how: $check->text",
                'Same movement, same spot, same side: this is how you learn which muscle mattered.',
            );
        }
    }

    /**
     * What was worked lying one way and was measured lying another is measured once more where they lie at the end, or face-up, as they
     * turn on their way up: as far as time is left over, and nobody is laid as they cannot lie or turned for it alone.
     *
     * @return list<array{Check, int, string}> what, for how many quarter minutes with the turn, in which position
     */
    private function fitting(int $spare): array
    {
        $fit = [];
        $lies = $this->position;
        $family = fn (string $position): string => $this->atlas->position($position)->family;
        $named = $this->case->session->positionsPossible;
        foreach ($this->otherwise as [$check, $since]) {
            $position = $family((string) $check->position) === $family($lies) ? $lies : (string) $check->position;
            $can = in_array($position, [$lies, $this->flat], true)
                && ($named === [] || in_array($family($position), $named, true))
                && $this->mayLie($position);
            $quarters = intdiv($this->clock->recheck, 2) + ($position === $lies ? 0 : $this->clock->turn);
            if ($can && $quarters <= $spare && ! $this->measures($check, $since)) {
                $fit[] = [$check, $quarters, $position];
                $spare -= $quarters;
                $lies = $position;
            }
        }

        return $fit;
    }

    private function mayLie(string $position): bool
    {
        return $this->gate->forbidding(new ProposedWork([], null, null, $position)) === null;
    }

    /** Whether it is measured in a step after so many. */
    private function measures(Check $check, int $since): bool
    {
        return array_filter(array_slice($this->steps, $since), static fn (PlanStep $step): bool => $step->check !== null
            && $step->check['id'] === $check->id && $step->check['side'] === $check->side->value) !== [];
    }

    private function end(Solution $solution, int $reserve): void
    {
        $used = TimeBudget::quarters(array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $this->steps)));
        $owed = count($this->upright) * intdiv($this->clock->recheck, 2);
        $spare = $this->unhurried(max(0, $this->clock->budget - $used - $this->clock->finish - $this->clock->aftercare - $owed), $reserve);
        $turned = $this->fitting(max(0, $spare - $reserve));
        $spare -= array_sum(array_column($turned, 1));
        $last = array_values(array_filter($solution->chosen, fn (Chosen $one): bool => $one->option->family === $this->family()));
        $worked = array_map(static fn (Chosen $one): string => $one->target->region, $last);
        $hurts = array_map(fn (Complaint $one): string => $this->figures->region($one->zone), $this->case->findings->complaints);
        sort($hurts);
        $regions = array_map(
            $this->atlas->handwork()->region(...), array_values(array_unique($worked === [] ? $hurts : $worked)),
        );
        $places = $this->open(
            $this->broad(
                array_merge([], ...array_map(static fn (RegionWork $one): array => $one->finish, $regions)),
                array_merge([], ...array_map(static fn (Chosen $one): array => $one->option->places, $last)), Side::pair(),
            ), $this->usual->stroke, $this->usual->broad, $this->position,
        );
        $this->stroke(
            StepKind::Finish, $this->clock->finish + min($spare, $this->clock->finish),
            new Contact($places, $this->usual->stroke, $this->usual->broad, $this->product($this->usual->stroke)), 'Smooth over',
            implode('', array_unique(array_map(
                fn (RegionWork $one): string => $this->over(
                    $one->finish, $one->finishDo, $one->finishOver, $places, $this->position, Side::pair(),
                ),
                array_slice($regions, -2),
            ))).'Lighter and broader'.(self::areOnBothSides($places) ? ', both sides. Then lie still and compare them.' : ' each time.'),
        );
        $family = $this->position;
        foreach ($turned as [$check, $quarters, $position]) {
            $lies = $position === $this->position ? 'Re-check' : 'Turned '.$this->atlas->position($position)->name;
            $this->position = $position;
            $this->addRecheck($check, $quarters, how: $lies);
        }
        foreach ($this->upright as $check) {
            $this->position = $this->seat;
            $this->addRecheck($check, intdiv($this->clock->recheck, 2), how: $check->position === 'standing' ? 'Standing' : 'Sitting up');
        }
        $this->position = $family;
        $this->pause(
            StepKind::Aftercare, $this->clock->aftercare, $this->position === $this->seat ? 'Home care' : 'Sit up, home care',
            'What to expect for a day or two, what to do at home, when to ring.',
            Caution::each(CautionKind::Hygiene, 'hygiene_after', $this->figures->hygieneAfter),
        );
    }

    /**
     * @param  list<Place>  $places
     * @return list<Place> each once, without those over which no broad hand goes
     */
    private function strokable(array $places): array
    {
        $once = [];
        foreach ($places as $place) {
            if (! in_array($place->zone, $this->atlas->handwork()->neverStroked, true)) {
                $once[$place->key()] = $place;
            }
        }

        return array_values($once);
    }

    private function family(): string
    {
        return $this->atlas->position($this->position)->family;
    }

    /**
     * Left-over time makes the warm-ups unhurried before it goes to the finish: half a minute each in turn, as far as a region's may last.
     *
     * @return int quarter minutes that are left
     */
    private function unhurried(int $spare, int $reserve): int
    {
        $more = 2;
        $all = TimeBudget::quarters(array_sum(array_map(
            static fn (PlanStep $step): float => $step->kind === StepKind::WarmUp ? $step->minutes : 0.0, $this->steps,
        )));
        $spare -= $aside = max(0, $spare - max(0, $this->clock->mostWarmUp - $all));
        do {
            $given = false;
            foreach ($this->warmUps as $index => $left) {
                if ($left >= $more && $spare >= $more && $spare + $aside - $more >= $reserve) {
                    $longer = $this->steps[$index]->lasting($this->steps[$index]->minutes + $more / TimeBudget::PER_MINUTE);
                    $this->steps = array_values(array_replace($this->steps, [$index => $longer]));
                    $this->warmUps[$index] = $left - $more;
                    $spare -= $more;
                    $given = true;
                }
            }
        } while ($given);

        return $spare + $aside;
    }

    /** @param  list<Place>  $places */
    private function zonesText(array $places): string
    {
        $names = array_values(array_unique(array_map(fn (Place $place): string => $this->atlas->zone($place->zone)->name, $places)));

        return ($names[0] ?? '').(count($names) > 1 ? ' and around' : '');
    }

    /**
     * How a broad hand goes over a region, said of no place it does not come to: where one that the words name is not open on a side that
     * is worked (forbidden, not agreed, or lain on), the places that are open are named instead.
     *
     * @param  list<string>  $zones  of the region
     * @param  list<list<string>>  $named  groups of zones the words name, of each of which one must be open
     * @param  list<Place>  $open
     * @param  list<Side>  $sides  that are worked
     */
    private function over(array $zones, string $words, array $named, array $open, string $position, array $sides): string
    {
        $isOpen = function (string $zone) use ($position, $sides): bool {
            // where no stroke goes a hand may lie, and that is asked as well
            $places = $this->broad([$zone], [], $sides) ?: array_map(fn (Side $side): Place => $this->atlas->placeOn($zone, $side), $sides);
            $against = array_map(
                fn (Place $place): ?Limit => $this->gate->forbidding(
                    new ProposedWork([$place], $this->usual->stroke, $this->usual->broad, $position),
                ),
                $places,
            );
            // the side that is lain on is left out without a word; what may not be touched is never named
            $reached = array_filter($against, static fn (?Limit $limit): bool => $limit === null || ! $limit->isOnlyReach());

            return $reached !== [] && array_filter($reached) === [];
        };
        if (array_filter($named, static fn (array $group): bool => array_filter($group, $isOpen) === []) === []) {
            return "$words ";
        }
        $own = array_values(array_unique(array_map(
            fn (Place $one): string => $this->atlas->zone($one->zone)->definite(),
            array_filter($open, static fn (Place $one): bool => in_array($one->zone, $zones, true)),
        )));
        $last = array_pop($own);

        return $last === null ? '' : 'Over '.($own === [] ? '' : implode(', ', $own).' and ')."$last. ";
    }

    /** @param  list<Place>  $places */
    private static function areOnBothSides(array $places): bool
    {
        $sides = array_map(static fn (Place $one): Side => $one->side, $places);

        return in_array(Side::Left, $sides, true) && in_array(Side::Right, $sides, true);
    }

    private function product(string $technique): string
    {
        $wanted = $this->atlas->technique($technique)->products;
        if ($wanted === [$this->usual->oil] && $this->case->client->skin === 'hairy') {
            $wanted = $this->usual->oilsOnHair;
        }
        foreach ($wanted as $product) {
            if ($this->gate->forbidding(new ProposedWork([], $technique, null, null, $product)) === null) {
                return $product;
            }
        }

        return $this->usual->noProduct;
    }

    /** @param  list<Caution>  $cautions */
    private function pause(StepKind $kind, int $quarters, string $label, string $why = '', array $cautions = []): void
    {
        if ($quarters > 0) {
            $this->steps[] = PlanStep::pause($kind, $quarters / TimeBudget::PER_MINUTE, $this->position, $label, $why, $cautions);
        }
    }

    /** @param  list<Caution>  $cautions */
    private function stroke(
        StepKind $kind, int $quarters, Contact $contact, string $label, string $why, array $cautions = [],
    ): void {
        if ($quarters > 0) {
            $this->steps[] = PlanStep::stroke(
                $kind, $quarters / TimeBudget::PER_MINUTE, $this->position, $contact, $label, $why, $cautions,
            );
        }
    }
}
