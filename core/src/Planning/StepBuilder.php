<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Caution;
use Somatrace\Core\Anatomy\CautionKind;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\Offer;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;
use Somatrace\Core\Units\ContactArea;

/** Lays a solution out in time: settle, warm, treat, rest, compare, turn, finish, talk. */
final class StepBuilder
{
    /** @var list<PlanStep> */
    private array $steps = [];

    private string $position = '';

    public function __construct(
        private readonly Atlas $atlas,
        private readonly PlanFigures $figures,
        private readonly CaseFile $case,
        private readonly TouchGate $gate,
        private readonly School $school,
        private readonly TimeBudget $clock,
        private readonly Solver $solver,
        private readonly CeilingFinder $ceilings,
        private readonly float $therapistKg,
    ) {
    }

    /**
     * @param  list<Offer>  $offers
     * @return list<PlanStep>
     */
    public function build(Solution $solution, array $offers): array
    {
        $this->steps = [];
        $order = $solution->families === [] ? [$this->restingPosition()] : $solution->families;
        foreach ($order as $index => $family) {
            $blocks = $this->blocks($solution, $family);
            $this->position = $family;
            if ($index === 0) {
                $this->add(
                    StepKind::Settle, $this->clock->settle,
                    cautions: [
                        ...Caution::each(CautionKind::Hygiene, 'hygiene_before', $this->figures->hygieneBefore),
                        ...array_map(self::watched(...), $this->gate->watchedEverywhere()),
                    ],
                    why: 'Lie down, draped; say how strong and how to stop.', label: 'Settle',
                );
                array_map($this->offer(...), $offers);
            } else {
                $this->add(StepKind::Position, $this->clock->turn, label: 'Turn '.$this->atlas->position($family)->name);
            }
            array_map(fn (array $block) => $this->block($block, $family), $blocks);
            if ($blocks !== []) {
                $this->recheck(array_merge(...$blocks));
            }
        }
        $this->end($solution);

        return $this->steps;
    }

    /** Flat before sitting, sitting before lying on a side, and then on the one that hurts less: in whatever order they were named. */
    private function restingPosition(): string
    {
        $possible = $this->case->session->positionsPossible === [] ? ['supine'] : $this->case->session->positionsPossible;
        $hurts = [Side::Left->value => 0.0, Side::Right->value => 0.0, Side::Midline->value => 0.0];
        foreach ($this->case->findings->complaints as $complaint) {
            $hurts[$complaint->side->value] = max($hurts[$complaint->side->value], $complaint->now ?? 0.0);
        }
        $rank = array_flip(array_keys($this->atlas->positions));
        usort($possible, static function (string $a, string $b) use ($hurts, $rank): int {
            $side = static fn (string $position): ?Side => match ($position) {
                'side_left' => Side::Left, 'side_right' => Side::Right, default => null,
            };

            return [$side($a) !== null, $hurts[$side($a)->value ?? Side::Midline->value], $rank[$a]]
                <=> [$side($b) !== null, $hurts[$side($b)->value ?? Side::Midline->value], $rank[$b]];
        });
        foreach ($possible as $position) {
            if ($this->gate->forbidding(new ProposedWork([], null, null, $position)) === null) {
                return $position;
            }
        }

        return 'seated';
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
        $leads = $this->leadRank(...);
        uksort(
            $regions,
            fn (string $a, string $b): int => [min(array_map($leads, $regions[$a])), $this->figures->regionRank($a)]
                <=> [min(array_map($leads, $regions[$b])), $this->figures->regionRank($b)],
        );

        return array_values(array_map($this->inOrder(...), $regions));
    }

    private function leadRank(Chosen $chosen): int
    {
        $source = $this->school->is('order', 'source_first');

        return match (true) {
            $chosen->target->isSource() => $source ? 0 : 2,
            $chosen->target->isSite() => $source ? 2 : 0,
            default => 1,
        };
    }

    /**
     * Surface before what it covers and muscle before tendon always; source or site first as the school says.
     *
     * @param  non-empty-list<Chosen>  $chosen
     * @return non-empty-list<Chosen>
     */
    private function inOrder(array $chosen): array
    {
        // what covers an important muscle is as urgent as the muscle itself
        $rank = fn (Chosen $one): array => min(array_map(
            fn (Chosen $other): array => [$this->leadRank($other), -round($other->target->weight, 9)],
            array_filter($chosen, fn (Chosen $other): bool => $other === $one || $this->goesBefore($one, $other)),
        ) ?: [[9, 0.0]]);
        usort(
            $chosen,
            fn (Chosen $a, Chosen $b): int => [$rank($a), $a->target->muscle->layer, $a->target->at->key()]
                <=> [$rank($b), $b->target->muscle->layer, $b->target->at->key()],
        );
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

        return $ordered === [] ? throw new \LogicException('an empty block of a plan') : [...$ordered, ...array_values($chosen)];
    }

    private function goesBefore(Chosen $first, Chosen $second): bool
    {
        $sameSide = $first->target->at->side === $second->target->at->side;
        $overlap = $sameSide && array_intersect($first->target->muscle->zones, $second->target->muscle->zones) !== [];
        if ($first->target->muscle->isStructure !== $second->target->muscle->isStructure) {
            return $overlap && $second->target->muscle->isStructure;
        }

        return $overlap && $first->target->muscle->layer < $second->target->muscle->layer;
    }

    /** @param  non-empty-list<Chosen>  $block */
    private function block(array $block, string $family): void
    {
        $warmed = $this->warmUp($block, $family);
        foreach ($block as $chosen) {
            $this->shiftTo($chosen->option->position);
            $this->treat($chosen, $warmed);
        }
        $this->shiftTo($family);
    }

    /** @param  non-empty-list<Chosen>  $block */
    private function warmUp(array $block, string $family): bool
    {
        $places = [];
        foreach ($block as $chosen) {
            foreach ($chosen->option->places as $place) {
                foreach (
                    $this->school->is('both_sides', 'affected_only')
                        ? [$place]
                        : [$place, new Place($place->zone, $place->side->mirrored())] as $one
                ) {
                    $places[$one->key()] = $one;
                }
            }
        }
        $open = $this->open(array_values($places), 'effleurage', 'palm', $family);
        if ($open === []) {
            return false;
        }
        $cap = $this->gate->pressureCap(new ProposedWork($open, 'effleurage', 'palm', $family));
        $pressure = min($this->figures->warmUpPressure, $cap === null ? 10 : (float) $cap->value);
        $minutes = $this->clock->warmUp;
        $scale = $this->softest($open);
        $this->add(
            StepKind::WarmUp, $minutes, places: $open, technique: 'effleurage', tool: 'palm', product: $this->product('effleurage'),
            passes: $pressure < 1
                ? []
                : [$this->pass($pressure, $minutes * 15 * $this->figures->contactShare, 'effleurage', 'palm', $scale)],
            cautions: $this->underStrokes($open, $family),
            why: 'Too little warm-up is the commonest fault of deep work: broad, slow, light.', label: 'Warm up '.$this->zonesText($open),
        );

        return true;
    }

    /**
     * A hand that covers several tissues leans by the least robust of them.
     *
     * @param  non-empty-list<Place>  $places
     */
    private function softest(array $places): PressureScale
    {
        $scales = [];
        foreach ($this->atlas->muscles as $muscle) {
            foreach ($places as $place) {
                if ($muscle->layer <= 2 && in_array($place->zone, $muscle->zones, true)) {
                    $sides = $place->side === Side::Midline ? Side::pair() : [$place->side];
                    array_push(
                        $scales, ...array_map(fn (Side $side): PressureScale => $this->scaleOf(new MuscleAt($muscle->id, $side)), $sides),
                    );
                }
            }
        }
        usort($scales, static fn (PressureScale $a, PressureScale $b): int => $a->tissue(1)->kPa <=> $b->tissue(1)->kPa);

        return $scales[0] ?? throw new \LogicException('a zone without a muscle');
    }

    private function scaleOf(MuscleAt $at): PressureScale
    {
        return PressureScale::of($at, $this->case, $this->atlas, $this->figures->pptFelt);
    }

    /**
     * @param  list<Place>  $places
     * @return list<Caution> what lies under a stroke that asks for care
     */
    private function underStrokes(array $places, string $position): array
    {
        $work = new ProposedWork($places, 'effleurage', 'palm', $position);
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

    private function treat(Chosen $chosen, bool $warmed): void
    {
        $target = $chosen->target;
        $option = $chosen->option;
        $ceiling = $warmed
            ? $option->ceiling
            : $option->ceiling->and(new Cap($this->figures->firmFrom - 1, 'not_warmed', 'The region cannot be warmed first.'));
        $work = new ProposedWork($option->places, $option->technique, $option->tool, $option->position, null, $target->at, $option->site);
        $hygiene = $this->clock->hygiene($option);
        $this->hygiene(array_diff_key($hygiene, ['glove_off_wash' => 0]));
        $this->add(
            StepKind::Treat, $chosen->minutes * TimeBudget::PER_MINUTE, $target->at, $option->places, $option->site, $option->technique,
            $option->tool,
            $this->product($option->technique), $this->clientAction($target->muscle, $work),
            $this->passes($target->at, $ceiling->felt, $chosen->minutes, $option->technique, $option->tool),
            $target->muscle->reference()->findSteps(), $this->cautions($target->muscle, $work), $this->why($target), $ceiling,
            label: $target->candidate->name,
        );
        $rest = $this->clock->restAfter($option, $chosen->minutes);
        if ($rest > 0) {
            $this->restAfter($option, $rest);
        }
        $this->otherSide($chosen);
        $this->hygiene(array_intersect_key($hygiene, ['glove_off_wash' => 0]));
    }

    /** What the client does meanwhile. A movement of their own is a touch like any other: where the gate says no, they only breathe. */
    private function clientAction(Muscle $muscle, ProposedWork $work): string
    {
        $action = $muscle->clientAction;
        $moved = $action?->judgedAs === null
            ? null
            : new ProposedWork($work->places, $action->judgedAs, null, $work->position, null, $work->muscle, $work->site);

        return $action !== null && ($moved === null || $this->gate->forbidding($moved) === null)
            ? $action->words
            : $this->figures->clientBreathes;
    }

    /** @param  array<string, int>  $steps quarter minutes by what is done */
    private function hygiene(array $steps): void
    {
        foreach ($steps as $what => $quarters) {
            $this->add(
                StepKind::Hygiene, $quarters, product: $what === 'glove_on' ? $this->figures->glove : null,
                why: 'Between the mouth and anything else.', label: $this->figures->hygieneWords[$what], what: $what,
            );
        }
    }

    /** A broad stroke between deep ones; where no stroke may go the hands rest still beside it. */
    private function restAfter(Option $option, int $quarters): void
    {
        $open = $this->open($option->places, 'effleurage', 'palm', $this->position);
        if ($open === []) {
            $this->add(StepKind::RestStroke, $quarters, why: 'No stroke goes there: the hands lie still beside it.', label: 'Hands rest');

            return;
        }
        $this->add(
            StepKind::RestStroke, $quarters, places: $open, technique: 'effleurage', tool: 'palm', product: $this->product('effleurage'),
            cautions: $this->underStrokes($open, $this->position), why: 'A broad stroke between deep ones.', label: 'Rest stroke',
        );
    }

    /** The other side, lighter, so that both are treated and the client can compare. */
    private function otherSide(Chosen $chosen): void
    {
        $quarters = $this->clock->otherSide($chosen->minutes, $this->solver->otherSideToo($chosen->target));
        $at = $chosen->target->at->mirrored();
        $position = $chosen->option->position;
        if ($quarters === 0 || ! $chosen->option->otherSideReachable) {
            return;
        }
        $places = array_map(static fn (Place $place): Place => new Place($place->zone, $place->side->mirrored()), $chosen->option->places);
        $work = new ProposedWork($places, $chosen->option->technique, $chosen->option->tool, $position, null, $at, $chosen->option->site);
        if ($this->gate->forbidding($work) !== null) {
            return;
        }
        $ceiling = $this->ceilings->of($at, $work)->and(
            new Cap($this->figures->otherSideCap, 'other_side', 'The other side is done lighter.'),
        );
        $ceiling = $ceiling->and($this->noHarder($at, $chosen));
        if ($ceiling->felt < 1) {
            return;
        }
        $minutes = $quarters / TimeBudget::PER_MINUTE;
        $this->add(
            StepKind::Treat, $quarters, $at, $places, $chosen->option->site, $chosen->option->technique, $chosen->option->tool,
            $this->product($chosen->option->technique),
            $this->clientAction($chosen->target->muscle, $work),
            $this->passes($at, $ceiling->felt, $minutes, $chosen->option->technique, $chosen->option->tool),
            $chosen->target->muscle->reference()->findSteps(), $this->cautions($chosen->target->muscle, $work),
            'Both sides are treated; this one lighter.', $ceiling, otherSide: true, label: $this->atlas->nameOf($at),
        );
    }

    /** Lighter is true of the hand as well as of the feeling: a side that bears more is not pressed harder for it. */
    private function noHarder(MuscleAt $at, Chosen $sore): Cap
    {
        $hand = $this->scaleOf($sore->target->at)->tissue(max(array_map(static fn (Pass $pass): float => $pass->pressure, $this->passes(
            $sore->target->at, $sore->option->ceiling->felt, $sore->minutes, $sore->option->technique, $sore->option->tool,
        )) ?: [0]))->kPa;

        return new Cap(
            floor(2 * $hand / $this->scaleOf($at)->tissue(1)->kPa) / 2, 'no_harder', 'The hand presses no harder than on the sore side.',
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
        $for = array_values(array_filter($target->candidate->evidence, static fn ($evidence): bool => $evidence->weight > 0));
        usort($for, static fn ($a, $b): int => [$b->weight, $a->code] <=> [$a->weight, $b->code]);

        return (
            $target->soothes && ! $target->isSource() ? 'It hurts here: soothing work. ' : ''
        ).ucfirst($target->candidate->role->value).', '.$target->candidate->word.'. '.implode(
            '. ', array_map(static fn ($evidence): string => $evidence->text(), array_slice($for, 0, 2)),
        ).'.';
    }

    /** @return list<Pass> the first introduces, each later one rises a step or so, none above the ceiling */
    private function passes(MuscleAt $at, float $ceiling, float $minutes, string $technique, string $tool): array
    {
        $count = $this->figures->passes($minutes);
        $scale = $this->scaleOf($at);
        $seconds = $minutes * 60 * $this->figures->contactShare / $count;

        return array_map(
            fn (float $pressure): Pass => $this->pass($pressure, $seconds, $technique, $tool, $scale),
            self::ramp($ceiling, $count, $this->figures->firstPass, $this->figures->passStep),
        );
    }

    /** @return list<float> pressures in halves, rising to the ceiling, the first at most `first`, steps at most `step` */
    public static function ramp(float $ceiling, int $count, float $first, float $step): array
    {
        $ceiling = floor($ceiling * 2) / 2;
        $start = min($first, max(min(1.0, $ceiling), $ceiling - ($ceiling > 3 ? 1.0 : 0.5) * ($count - 1)));
        $top = min($ceiling, $start + $step * ($count - 1));
        $pressures = [];
        for ($pass = 0; $pass < $count; $pass++) {
            $pressures[] = floor(2 * ($start + ($top - $start) * $pass / max(1, $count - 1))) / 2;
        }

        return $pressures;
    }

    private function pass(float $pressure, float $seconds, string $technique, string $tool, PressureScale $scale): Pass
    {
        $hold = $this->atlas->technique($technique)->holdSeconds;
        // the lighter the pressure the longer the hold
        $holdSeconds = $hold === null ? null : min($seconds, $hold[1] - ($hold[1] - $hold[0]) * max(0, min(1, ($pressure - 2) / 6)));

        return Pass::of(
            $pressure, $seconds, $holdSeconds, $scale, ContactArea::ofCm2($this->atlas->tool($tool)->effectiveAreaCm2), $this->therapistKg,
        );
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
        $open = $this->open(array_values($around), $offer->technique, 'palm', $this->position, $offer->product);
        if ($open !== []) {
            $this->add(
                StepKind::Treat, (int) ($this->figures->offerMinutes * TimeBudget::PER_MINUTE), places: $open,
                technique: $offer->technique, tool: 'palm', product: $offer->product,
                cautions: Caution::each(
                    CautionKind::Cold, $offer->technique, ['never still, dry afterwards', 'nothing on the sore place itself'],
                ),
                why: 'Cold around it first: inflammation is dealt with before anything else.',
                label: $this->atlas->technique($offer->technique)->name.' around it',
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
            $this->add(StepKind::Position, $this->clock->shift, label: 'Now '.$this->atlas->position($position)->name);
        }
    }

    /** @param  list<Chosen>  $chosen the work just done */
    private function recheck(array $chosen): void
    {
        usort(
            $chosen,
            static fn (Chosen $a, Chosen $b): int => [-round($a->target->weight, 9), $a->target->at->key()]
                <=> [-round($b->target->weight, 9), $b->target->at->key()],
        );
        $check = $this->checkOf($chosen[0]->target);
        $this->add(
            StepKind::Recheck, $this->clock->recheck, $chosen[0]->target->at, $chosen[0]->option->places,
            why: 'Same movement, same spot, same side: this is how you learn which muscle mattered.', check: $check,
            label: 'Re-check: '.$check['text'],
        );
    }

    /**
     * @return array{kind: string, id: string, side: string, text: string} a movement measured before that lengthens it, else the same spot
     * again
     */
    private function checkOf(Target $target): array
    {
        foreach ($target->muscle->lengthenedBy as $use) {
            foreach ($this->case->findings->range as $finding) {
                if ($finding->key() === $use->keyFor($target->at->side)) {
                    $movement = $this->atlas->movement($finding->movement);

                    return [
                        'kind' => 'range', 'id' => $movement->id, 'side' => $finding->side->value,
                        'text' => lcfirst($movement->name).($finding->side === Side::Midline ? '' : ', '.$finding->side->value),
                    ];
                }
            }
        }

        return [
            'kind' => 'palpate', 'id' => $target->at->muscle, 'side' => $target->at->side->value,
            'text' => 'press '.lcfirst($target->candidate->name).' again',
        ];
    }

    private function end(Solution $solution): void
    {
        $used = (int) round(
            array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $this->steps)) * TimeBudget::PER_MINUTE,
        );
        $spare = max(0, $this->clock->budget - $used - $this->clock->finish - $this->clock->aftercare);
        $places = $this->open(
            array_merge([], ...array_map(static fn (Chosen $chosen): array => $chosen->option->places, $solution->chosen)), 'effleurage',
            'palm', $this->position,
        );
        $this->add(
            StepKind::Finish, $this->clock->finish + min($spare, $this->clock->finish), places: $places, technique: 'effleurage',
            tool: 'palm', product: $this->product('effleurage'),
            why: 'Lighter and broader, both sides, through to the next joint.', label: 'Smooth over',
        );
        $this->add(
            StepKind::Aftercare, $this->clock->aftercare,
            cautions: Caution::each(CautionKind::Hygiene, 'hygiene_after', $this->figures->hygieneAfter),
            why: 'What to expect for a day or two, what to do at home, when to ring.', label: 'Sit up, home care',
        );
    }

    /** @param  list<Place>  $places */
    private function zonesText(array $places): string
    {
        $names = array_values(array_unique(array_map(fn (Place $place): string => $this->atlas->zone($place->zone)->name, $places)));

        return ($names[0] ?? '').(count($names) > 1 ? ' and around' : '');
    }

    private function product(string $technique): string
    {
        $wanted = $this->atlas->technique($technique)->products;
        if ($wanted === ['light_oil'] && $this->case->client->skin === 'hairy') {
            $wanted = ['plenty_oil', ...$wanted];
        }
        foreach ($wanted as $product) {
            if ($this->gate->forbidding(new ProposedWork([], $technique, null, null, $product)) === null) {
                return $product;
            }
        }

        return 'none';
    }

    /**
     * @param  list<Place>  $places
     * @param  list<Pass>  $passes
     * @param  list<string>  $find
     * @param  list<Caution>  $cautions
     * @param  array{kind: string, id: string, side: string, text: string}|null  $check
     */
    private function add(
        StepKind $kind, int $quarters, ?MuscleAt $at = null, array $places = [], ?string $site = null, ?string $technique = null,
        ?string $tool = null, ?string $product = null,
        ?string $clientAction = null, array $passes = [], array $find = [], array $cautions = [], string $why = '',
        ?Ceiling $ceiling = null, ?array $check = null, bool $otherSide = false, string $label = '',
        ?string $what = null,
    ): void {
        if ($quarters > 0) {
            $this->steps[] = new PlanStep(
                $kind, $quarters / TimeBudget::PER_MINUTE, $this->position, $at, $places, $site, $technique, $tool, $product, $clientAction,
                $passes, $find, $cautions, $why, $ceiling, $check, $otherSide, $label, $what,
            );
        }
    }
}
