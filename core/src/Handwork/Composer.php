<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Dose;
use Somatrace\Core\Anatomy\DoseFor;
use Somatrace\Core\Anatomy\Move;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Routine;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Skin;
use Somatrace\Core\Anatomy\Spot;
use Somatrace\Core\Anatomy\Technique;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\Anatomy\Way;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** What a muscle's work is made of in a position: short, usual and long, each manoeuvre through the gate. */
final class Composer
{
    /**
     * @var array<string, array{array{Tool, Ceiling}|null, bool}> with what a technique is done at a site, and whether too little may be
     *     felt
     */
    private array $chosen = [];

    /** @var array<string, bool> whether a limb may be moved, by position and set-up */
    private array $limbs = [];

    /** @var array<string, array<string, list<string>>> techniques to choose from, by muscle and side and by position */
    private array $offered = [];

    /** @var array<string, array<string, list<Place>>> where a muscle is touched, by muscle and side and by site */
    private array $places = [];

    public function __construct(
        private readonly Atlas $atlas,
        private readonly Recipes $recipes,
        private readonly PlanFigures $figures,
        private readonly CaseFile $case,
        private readonly School $school,
        private readonly TouchGate $gate,
        private readonly CeilingFinder $ceilings,
        private readonly ToolChooser $tools,
        private readonly PressureScales $scales,
        private readonly SoFar $soFar,
        private readonly RoutineStages $stages,
    ) {
    }

    /**
     * @return non-empty-array<string, Composition>|Reason by size, each longer than the one before, without what was done today; or why
     *         there is none
     */
    public function compose(Work $work, string $position): array|Reason
    {
        $why = $gone = null;
        $filled = $made = [];
        $byHand = $this->byHand($work, $position);
        $done = array_fill_keys($this->soFar->techniques($work->at->key()), true);
        foreach (Size::cases() as $size) {
            $manoeuvres = $taken = [];
            $hasMain = false;
            foreach ($this->parts($work, $size, $byHand) as $part) {
                foreach ($part['slots'] as $slot) {
                    $way = $part['added'] ? $slot->key() : $this->recipes->wayOf($slot->id);
                    if (isset($taken[$way])) {
                        break; // done already
                    }
                    $filling = $filled[$slot->key()] ??= $this->fill($slot, $work, $position, $done);
                    if ($filling instanceof Reason && $filling->kind !== ReasonKind::Done) {
                        $why = $part['main'] ? ($why?->orBetter($filling) ?? $filling) : $why;

                        continue;
                    }
                    if ($filling instanceof Filling) {
                        $manoeuvres[] = $filling->sized($this->recipes->share($size), 60 * $this->figures->deepMinutes);
                    } else {
                        $gone ??= $filling;
                    }
                    $taken[$way] = true;
                    $hasMain = $hasMain || $part['main'];

                    break;
                }
            }
            $manoeuvres = $this->ramped(
                $this->inSkinOrder($this->asRoutine($manoeuvres, $work, $position)), $this->soFar->reached($work->at->key()),
            );
            if ($hasMain && $manoeuvres !== []) {
                $made[$size->value] = new Composition($size, $manoeuvres, $this->recipes->overhead);
            }
        }
        if ($made === []) {
            return $gone ?? $why ?? Reason::of(ReasonKind::Technique, 'No technique is left for it.');
        }

        return $this->growing($made);
    }

    /**
     * @param  non-empty-array<string, Composition>  $made
     * @return non-empty-array<string, Composition> without those that are no longer than a smaller one
     */
    private function growing(array $made): array
    {
        $grown = [];
        foreach ($made as $size => $one) {
            $last = $grown === [] ? null : $grown[array_key_last($grown)];
            if ($last === null || $one->seconds() > $last->seconds() + 1e-9) {
                $grown[$size] = $one;
            }
        }

        return $grown;
    }

    /**
     * @return array{Slot|null, list<Slot>} what the therapist chose for the main part, and what was added
     */
    private function byHand(Work $work, string $position): array
    {
        $may = fn (string $technique): bool => $this->outside($work, $technique) === null
            && in_array($technique, $this->offered($work, $position), true);
        $slot = fn (string $technique): Slot => $this->recipes->slotWith($technique, $work->situation);
        $main = $work->byHand?->technique;

        return [
            $main !== null && $may($main) ? $slot($main) : null,
            array_values(array_map($slot, array_filter($work->byHand->added ?? [], $may))),
        ];
    }

    /**
     * @param  array{Slot|null, list<Slot>}  $byHand
     * @return list<array{slots: non-empty-list<Slot>, main: bool, added: bool}>
     */
    private function parts(Work $work, Size $size, array $byHand): array
    {
        [$main, $added] = $byHand;
        $parts = [];
        foreach ($this->recipes->of($work->situation, $size) as $part) {
            $slots = array_map($this->recipes->slot(...), $part['slots']);
            $parts[] = [
                'slots' => $part['main'] && $main !== null ? [$main, ...$slots] : $slots, 'main' => $part['main'], 'added' => false,
            ];
        }
        foreach ($added as $slot) {
            $parts[] = ['slots' => [$slot], 'main' => false, 'added' => true];
        }

        return $parts;
    }

    /** @return list<string> techniques the therapist may choose from in that position; whether they are allowed is another question */
    public function offered(Work $work, string $position): array
    {
        $own = array_merge(...array_map($work->muscle->techniquesAt(...), [null, ...array_keys($work->muscle->sites)]));

        return $this->offered[$work->at->key()][$position] ??= array_values(array_filter(
            array_unique([...$this->recipes->techniques($work->situation), ...$own]),
            fn (string $technique): bool => $this->ways($this->recipes->slotWith($technique, $work->situation), $work, $position) !== [],
        ));
    }

    /** Why that is none of the techniques it may have as it is found today. */
    private function outside(Work $work, string $technique): ?string
    {
        return in_array($technique, $this->recipes->techniques($work->situation), true) ? null : $this->recipes->fixed($work->situation);
    }

    /** What the minutes are there for: what was chosen by hand, else what the main part is filled with. */
    public function isMain(Work $work, Manoeuvre $one): bool
    {
        return in_array($work->byHand?->technique, [null, $one->technique], true) && $this->recipes->isMain($work->situation, $one->slot)
            || $one->technique === $work->byHand?->technique;
    }

    /** Why that technique is not done on it in that position, whoever wants it; null where it may be. */
    public function whyNot(Work $work, string $position, string $technique): ?string
    {
        $why = $this->outside($work, $technique);
        if ($why !== null || ! in_array($technique, $this->offered($work, $position), true)) {
            return $why ?? 'It is not done on this muscle as it lies there.';
        }
        $filling = $this->fill($this->recipes->slotWith($technique, $work->situation), $work, $position, []);

        return $filling instanceof Reason ? $filling->words : null;
    }

    /**
     * Set-ups in which it is told or lengthened, or which bring it under the hand.
     *
     * @return list<array{id: string, side: Side}>
     */
    public function setups(Work $work, string $position): array
    {
        $found = [];
        foreach ($this->atlas->handwork()->stagesOf($work->at->muscle) as [, $stage]) {
            foreach ($stage->ways as $way) {
                if ($way->setup !== null && $way->isFor($work->at->muscle)) {
                    $side = $work->at->side->related($way->setup['side']);
                    $found["{$way->setup['id']}:$side->value"] = ['id' => $way->setup['id'], 'side' => $side];
                }
            }
        }
        foreach ($this->atlas->handwork()->setupsOpening($work->muscle->everyZone()) as $setup) {
            $found["$setup->id:{$work->at->side->value}"] ??= ['id' => $setup->id, 'side' => $work->at->side];
        }

        return array_values(array_filter(
            $found, fn (array $one): bool => in_array($position, $this->atlas->handwork()->setup($one['id'])->positions, true),
        ));
    }

    /** @param  array<string, true>  $done  techniques that were done on it today: what is done so is not done again */
    private function fill(Slot $slot, Work $work, string $position, array $done): Filling|Reason
    {
        $why = null;
        if ($slot->isNotDelicate && $work->muscle->tissue === Tissue::Delicate) {
            return Reason::of(ReasonKind::Technique, 'No broad stroke on what is delicate.');
        }
        foreach ($this->ways($slot, $work, $position) as [$technique, $way, $routine]) {
            if ($way?->notWithSign !== null && $this->recipes->sign($way->notWithSign)->holds($this->case, $this->atlas, $work->at->side)) {
                // what the routine does not do with such a sign is not done in another way either
                return Reason::of(ReasonKind::Limit, "Not with {$this->recipes->sign($way->notWithSign)->words}.");
            }
            if (isset($done[$technique])) {
                return Reason::of(ReasonKind::Done, 'Worked today already.');
            }
            $try = $this->try($slot, $this->atlas->technique($technique), $way, $routine, $work, $position);
            if ($try instanceof Filling) {
                return $try;
            }
            $why = $why?->orBetter($try) ?? $try;
        }

        return $why ?? Reason::of(ReasonKind::Technique, 'No technique is left for it.');
    }

    /** @return list<array{string, Way|null, Routine|null}> as a routine does it, then as the technique goes by itself */
    private function ways(Slot $slot, Work $work, string $position): array
    {
        $ways = $plain = [];
        $told = $this->recipes->wayOf($slot->id);
        foreach ($this->atlas->handwork()->stagesOf($work->at->muscle) as [$routine, $stage]) {
            if (! $this->stages->isToday($routine, $work->at->side, $position)) {
                continue;
            }
            foreach ($stage->ways as $way) {
                if (
                    $way->slot === $told && $way->isFor($work->at->muscle)
                        && in_array($way->technique, $slot->techniques, true) && $this->fits($way, $work, $position)
                ) {
                    $ways[] = [$way->technique, $way, $routine];
                }
            }
        }
        $own = $slot->isOwn ? array_merge(...array_map($work->muscle->techniquesAt(...), [null, ...$work->sites])) : [];
        foreach ($slot->isOnlyByRoutine ? [] : $slot->techniques as $technique) {
            if (! $slot->isOwn || in_array($technique, $own, true)) {
                $plain[] = [$technique, null, null];
            }
        }

        $all = [...$ways, ...$plain];
        $byHand = $work->byHand->setup['id'] ?? null;
        if ($byHand !== null) {
            // a way that lies otherwise comes after those that lie as was chosen, and after none at all
            $lies = static fn (?Way $way): int => match ($way->setup['id'] ?? null) {
                $byHand => 0, null => 1, default => 2,
            };
            usort($all, static fn (array $a, array $b): int => $lies($a[1]) <=> $lies($b[1]));
        }

        return $all;
    }

    private function fits(Way $way, Work $work, string $position): bool
    {
        foreach ($way->school as $question => $choice) {
            if (! $this->school->is($question, $choice)) {
                return false;
            }
        }

        return ($way->fromVisit === null || $work->exposure >= $way->fromVisit)
            && ($way->untilVisit === null || $work->exposure <= $way->untilVisit)
            && ($way->position === null || $way->position === $position)
            && ($way->setup === null || $this->canLie($way, $position));
    }

    private function canLie(Way $way, string $position): bool
    {
        $setup = $this->atlas->handwork()->setup($way->setup['id'] ?? '');
        $meant = $way->setupPositions === [] ? $setup->positions : [
            ...Side::Left->positions($way->setupPositions), ...Side::Right->positions($way->setupPositions),
        ];

        return in_array($position, $setup->positions, true) && in_array($position, $meant, true);
    }

    private function try(Slot $slot, Technique $technique, ?Way $way, ?Routine $routine, Work $work, string $position): Filling|Reason
    {
        if ($this->case->therapist->isOff($technique->id)) {
            return Reason::of(ReasonKind::Training, "{$technique->name}: not within this therapist's scope.");
        }
        if (in_array('surface', $technique->wants, true) && ($work->muscle->layer > 1 || $work->muscle->isStructure)) {
            return Reason::of(ReasonKind::Technique, 'It cannot be lifted off what lies under it.');
        }
        if (in_array('swollen', $technique->wants, true) && ! $work->felt->isSwollen()) {
            return Reason::of(ReasonKind::Technique, 'Nothing swollen was felt there.');
        }
        if ($technique->kind === 'client_moves' && $slot->id === 'moved' && $work->exposure === 0) {
            return Reason::of(ReasonKind::Technique, 'The client moves it from the second visit on.');
        }
        $move = $this->moveFor($technique, $work, $position);
        if ($move === null && in_array($technique->kind, ['moved', 'client_moves'], true)) {
            return Reason::of(ReasonKind::Position, 'It cannot be lengthened there.');
        }
        if ($way === null && $move === null && $technique->id === $this->figures->usual->stretch) {
            return Reason::of(ReasonKind::Position, 'It cannot be lengthened there.');
        }
        $dose = $technique->dose(...$slot->doses, ...($work->muscle->isStructure ? [DoseFor::Tendon] : []));
        $setup = $this->setupOf($way, $move, $work, $position);
        $spotted = in_array($dose->for, [DoseFor::Spot, DoseFor::Grip, DoseFor::Tendon, DoseFor::First, DoseFor::FirstDelicate], true);
        $spots = $spotted ? array_values(array_filter(
            $this->spots($technique, $way, $work), static fn (Spot $spot): bool => $spot->gloved === ($technique->skin === Skin::Glove),
        )) : [];
        if ($spotted && $spots === []) {
            return Reason::of(ReasonKind::Technique, 'No point was found to hold.');
        }
        $product = $this->product($slot, $technique, $way);
        [$site, $tool, $ceiling, $why] = $this->place($slot, $technique, $way, $routine, $dose, $setup, $product, $spots, $work, $position);
        if ($site === null || $tool === null) {
            return $why ?? Reason::of(ReasonKind::Tool, 'No tool gives what it needs within the limits.');
        }
        $bears = [$site => true];
        foreach ($spots as $spot) {
            $proposed = $this->proposed($spot->site, $technique, $tool, $product, $setup, $work, $position);
            $bears[$spot->site] ??= $this->allows($proposed) && $this->ceilings->of($work->at, $proposed)->felt >= ($ceiling->felt ?? 0);
        }
        $spots = array_values(array_filter($spots, static fn (Spot $spot): bool => $bears[$spot->site]));
        $pressure = $technique->pressure === null ? null : $ceiling?->felt;
        $line = $this->atlas->handwork()->spotsOf($work->at->muscle)->lines[0];
        $points = ($work->muscle->tissue === Tissue::Delicate ? $this->recipes->mostPointsDelicate : $this->recipes->mostPoints)
            - $this->soFar->pointsHeld($work->at->key());
        if ($technique->id === $this->figures->usual->pointHold && $points < 1) {
            return Reason::of(ReasonKind::Minutes, 'As many points were held there today as may be.');
        }
        $most = min(
            $slot->mostSpots ?? PHP_INT_MAX,
            $technique->id === $this->figures->usual->pointHold ? $points : PHP_INT_MAX,
        );

        // a routine that tells of pads is not told of an elbow
        $told = $way?->tellsOf($tool) ? $way : null;

        return new Filling(
            new Manoeuvre(
                $slot->id, $technique->id, $told->do ?? $this->do($technique, $move), [], [], $site, $setup, $tool->id,
                $told->hand ?? $tool->hand,
                $told->otherHand ?? $this->recipes->otherHand[$technique->kind], $spotted ? null : $line['from'],
                $spotted ? null : $line['to'],
                $product, $way->say ?? $move->say ?? $technique->say, $move?->say, 1,
                $this->seconds($technique, $dose, $way, $work, $pressure), $technique->pressure === null ? null : $ceiling, $pressure,
                $technique->leave, $technique->ends,
                $technique->branch === null ? null : $this->atlas->handwork()->branch($technique->branch), $slot->because,
            ),
            $dose, $spots, $most, $way?->repeats, ($work->byHand->spots ?? []) !== [],
        );
    }

    private function moveFor(Technique $technique, Work $work, string $position): ?Move
    {
        foreach ($this->atlas->handwork()->moves($work->at->muscle, $technique->movesAs, $position, $work->at->side) as $move) {
            $this->limbs["$position $move->setup"] ??= $this->allows(
                new ProposedWork([], null, null, $position, null, null, null, $move->setup),
            );
            if ($this->limbs["$position $move->setup"]) {
                return $move;
            }
        }

        return null;
    }

    /** @return array{id: string, side: Side}|null */
    private function setupOf(?Way $way, ?Move $move, Work $work, string $position): ?array
    {
        $byHand = $work->byHand?->setup;

        return match (true) {
            $way?->setup !== null => ['id' => $way->setup['id'], 'side' => $work->at->side->related($way->setup['side'])],
            $move?->setup !== null => ['id' => $move->setup, 'side' => $work->at->side],
            $byHand !== null && in_array($position, $this->atlas->handwork()->setup($byHand['id'])->positions, true) => $byHand,
            default => null,
        };
    }

    /**
     * Where it is done: of a point only where one was found; else as the routine says, the sorest second, so that a neighbour first tells
     * what to expect; then the rest along the muscle.
     *
     * @return list<Spot>
     */
    private function spots(Technique $technique, ?Way $way, Work $work): array
    {
        $map = $this->atlas->handwork()->spotsOf($work->at->muscle);
        $chosen = array_values(array_intersect_key($map->spots, array_flip($work->byHand->spots ?? [])));
        $found = [];
        foreach ($work->felt->points() as $point) {
            $spot = $map->spots[$point->spot ?? ''] ?? null;
            foreach ($spot === null ? array_filter([$point->site, ...$work->sites]) : [] as $site) {
                $spot ??= $map->at($site)[0] ?? null;
            }
            if ($spot !== null) {
                $found[$spot->id] = $spot;
            }
        }
        if (in_array('found_point', $technique->wants, true)) {
            return $chosen === [] ? array_values($found) : array_values(array_filter(
                $chosen, static fn (Spot $spot): bool => isset($found[$spot->id]),
            ));
        }
        if ($chosen !== []) {
            return $chosen;
        }
        $named = array_values(array_filter(array_map(static fn (string $id): ?Spot => $map->spots[$id] ?? null, $way->spots ?? [])));
        if ($named !== []) {
            return $named;
        }
        $rank = static fn (Spot $spot): int => ($at = array_search($spot->site, $work->sites, true)) === false
            ? count($work->sites)
            : (int) $at;
        $all = array_values($map->spots);
        usort($all, static fn (Spot $a, Spot $b): int => [$rank($a), $a->along, $a->across] <=> [$rank($b), $b->along, $b->across]);
        $others = array_values(array_filter($all, static fn (Spot $spot): bool => ! isset($found[$spot->id])));

        return $found === [] ? $others : [...array_slice($others, 0, 1), ...array_values($found), ...array_slice($others, 1)];
    }

    /**
     * @param  array{id: string, side: Side}|null  $setup
     * @param  list<Spot>  $spots
     * @return array{string|null, Tool|null, Ceiling|null, Reason|null} the first site where it is allowed, with what and how strong; or
     *         why not
     */
    private function place(
        Slot $slot, Technique $technique, ?Way $way, ?Routine $routine, Dose $dose, ?array $setup, string $product, array $spots,
        Work $work,
        string $position,
    ): array {
        $sites = $spots === []
            ? $work->sites
            : array_values(array_unique(array_map(static fn (Spot $spot): string => $spot->site, $spots)));
        $why = null;
        foreach ($sites as $site) {
            $forbidden = $this->gate->forbidding($this->proposed($site, $technique, null, $product, $setup, $work, $position));
            if ($forbidden !== null) {
                $why ??= Reason::forbiddenBy($forbidden);

                continue;
            }
            // the same hands do the same in every position, unless a limit names one
            $key = implode('|', [
                $work->at->key(), $work->situation->value, $site, $slot->id, $technique->id, $way === null ? '' : spl_object_id($way),
                $routine->id ?? '', $product, $setup['id'] ?? '', $this->gate->heeds($position) ? $position : '',
            ]);
            [$choice, $low] = $this->chosen[$key] ??= $this->handed(
                $this->proposed($site, $technique, null, $product, $setup, $work, $position),
                $site, $technique, $way, $work, $this->gestureCaps($slot, $technique, $way, $routine, $dose, $work),
            );
            if ($choice !== null) {
                return [$site, $choice[0], $choice[1], null];
            }
            $why ??= $low
                ? Reason::of(ReasonKind::Ceiling, 'What may be felt there today is less than it needs.')
                : Reason::of(ReasonKind::Tool, 'No tool gives what it needs within the limits.');
        }

        return [null, null, null, $why];
    }

    /**
     * @param  list<Cap>  $caps  of the gesture
     * @return array{array{Tool, Ceiling}|null, bool} with what it is done there and how strong, and whether too little may be felt there
     */
    private function handed(ProposedWork $bare, string $site, Technique $technique, ?Way $way, Work $work, array $caps): array
    {
        // a routine may ask for less than the technique usually does
        $least = $technique->pressure === null ? 0.0 : min($technique->pressure->least, $way->mostFelt ?? INF, $way->pressure ?? INF);
        $most = $this->ceilings->of($work->at, $bare)->and(...$caps)->felt;
        if ($most < $least) {
            return [null, true];
        }
        $low = false;
        $ceilingWith = function (Tool $tool) use ($bare, $work, $caps, $least, &$low): ?Ceiling {
            $proposed = $bare->with($tool->id);
            if ($this->gate->forbiddingTool($proposed) !== null) {
                return null;
            }
            $ceiling = $this->ceilings->of($work->at, $proposed)->and(...$caps);
            $low = $low || $ceiling->felt < $least;

            return $ceiling->felt < $least ? null : $ceiling;
        };
        $choice = $this->tools->choose(
            $work->muscle, $site, $technique, $this->scales->of($work->at), $most, $ceilingWith, $work->byHand->tool ?? $way?->tool,
        );

        return [$choice, $low];
    }

    /** @return list<Cap> what technique, slot and routine say of how strong it may feel, whatever is used */
    private function gestureCaps(Slot $slot, Technique $technique, ?Way $way, ?Routine $routine, Dose $dose, Work $work): array
    {
        $band = $work->muscle->tissue === Tissue::Robust
            ? $technique->robustPressure ?? $technique->pressure?->most
            : $technique->pressure?->most;

        return array_values(array_filter([
            $band === null ? null : new Cap($band, 'technique', "{$technique->name} is not done stronger."),
            $dose->pressure === null ? null : new Cap($dose->pressure->most, 'first_time', 'The first time it is only held lightly.'),
            $work->byHand?->pressure === null ? null : new Cap($work->byHand->pressure, 'by_hand', 'Set by hand.'),
            $slot->mostFelt === null ? null : new Cap($slot->mostFelt, 'part', $slot->because),
            $way?->mostFelt === null ? null : new Cap($way->mostFelt, 'routine', 'Done lightly there.'),
            $way?->pressure === null ? null : new Cap($way->pressure, 'routine', 'Done lightly there.'),
            $routine?->mostFelt === null ? null : new Cap($routine->mostFelt, 'routine', "{$routine->name}: nothing stronger."),
        ]));
    }

    /** @param  array{id: string, side: Side}|null  $setup */
    private function proposed(
        string $site, Technique $technique, ?Tool $tool, ?string $product, ?array $setup, Work $work, string $position,
    ): ProposedWork {
        $places = $this->places[$work->at->key()][$site] ??= array_map(
            static fn (string $zone): Place => new Place($zone, $work->at->side), $work->muscle->zonesOf($site),
        );

        return new ProposedWork($places, $technique->id, $tool?->id, $position, $product, $work->at, $site, $setup['id'] ?? null);
    }

    private function allows(ProposedWork $work): bool
    {
        return $this->gate->forbidding($work) === null;
    }

    /** Seconds at one spot: of a hold the lighter the longer. */
    private function seconds(Technique $technique, Dose $dose, ?Way $way, Work $work, ?float $pressure): float
    {
        $span = $dose->seconds;
        $light = $span->most - ($span->most - $span->least) * max(0, min(1, (($pressure ?? 2) - 2) / 6));
        // a broad part is there to warm and to gather: its least is enough
        $seconds = $way->seconds ?? ($dose->for === DoseFor::Area ? $span->least : null) ?? (
            $dose->for === DoseFor::Spot && in_array($technique->kind, ['hold', 'held'], true) ? $light : $span->middle()
        );
        if ($technique->id === $this->figures->usual->pointHold) {
            $seconds = match ($this->school->chose('trigger_point')) {
                'breaths' => floor($seconds / $this->recipes->breathSeconds) * $this->recipes->breathSeconds,
                'until_change' => $span->least,
                default => $seconds,
            };
        }
        $most = $work->muscle->tissue === Tissue::Delicate ? $this->recipes->mostHoldSecondsDelicate : INF;

        return round(max(5, min($seconds, $dose->limitSeconds(), $technique->kind === 'hold' ? $most : INF)));
    }

    private function product(Slot $slot, Technique $technique, ?Way $way): string
    {
        if ($way?->product !== null) {
            return $way->product;
        }
        if ($technique->skin === Skin::Glove) {
            return $this->allowed($technique->products, $technique) ?? $technique->products[0];
        }
        // the opening stroke is dry or through cloth: what follows wants grip
        if (! $technique->skin->isOily() || $slot->id === 'open') {
            return $this->figures->usual->noProduct;
        }
        $wanted = $this->case->client->skin === 'hairy'
            ? [...$this->figures->usual->oilsOnHair, ...$technique->products]
            : $technique->products;

        return $this->allowed($wanted, $technique) ?? $this->figures->usual->noProduct;
    }

    /** @param  list<string>  $products */
    private function allowed(array $products, Technique $technique): ?string
    {
        foreach ($products as $product) {
            if ($this->allows(new ProposedWork([], $technique->id, null, null, $product))) {
                return $product;
            }
        }

        return null;
    }

    private function do(Technique $technique, ?Move $move): string
    {
        return $move?->do === null ? $technique->what : "Pad stays; {$move->do}.";
    }

    /**
     * Some routines are done in their own order.
     *
     * @param  list<Manoeuvre>  $manoeuvres
     * @return list<Manoeuvre>
     */
    private function asRoutine(array $manoeuvres, Work $work, string $position): array
    {
        foreach ($this->atlas->handwork()->stagesOf($work->at->muscle) as [$routine, $stage]) {
            if ($stage->inOrder && $this->stages->isToday($routine, $work->at->side, $position)) {
                $slots = array_flip(array_reverse(array_map(static fn (Way $way): string => $way->slot, $stage->ways), true));
                $rank = fn (Manoeuvre $one): int => $slots[$this->recipes->wayOf($one->slot)] ?? -1;
                usort($manoeuvres, static fn (Manoeuvre $a, Manoeuvre $b): int => $rank($a) <=> $rank($b));
            }
        }

        return $manoeuvres;
    }

    /**
     * The first introduces, each later one rises a step at most, none goes over its ceiling.
     *
     * @param  list<Manoeuvre>  $manoeuvres
     * @param  float|null  $reached  how strong it was felt today already
     * @return list<Manoeuvre>
     */
    private function ramped(array $manoeuvres, ?float $reached): array
    {
        $ramped = [];
        foreach ($manoeuvres as $one) {
            if ($one->pressure === null) {
                $ramped[] = $one;

                continue;
            }
            $most = $reached === null ? $this->figures->firstPass : $reached + $this->figures->passStep;
            $pressure = floor(2 * min($one->pressure, $most)) / 2;
            $reached = max($reached ?? 0, $pressure);
            $ramped[] = $one->at($pressure);
        }

        return $ramped;
    }

    /**
     * Dry before oil: what wants grip comes first, otherwise as they stand.
     *
     * @param  list<Manoeuvre>  $manoeuvres
     * @return list<Manoeuvre>
     */
    private function inSkinOrder(array $manoeuvres): array
    {
        $dry = $oily = [];
        foreach ($manoeuvres as $one) {
            if ($this->atlas->isOil($one->product)) {
                $oily[] = $one;
            } else {
                $dry[] = $one;
            }
        }

        return [...$dry, ...$oily];
    }
}
