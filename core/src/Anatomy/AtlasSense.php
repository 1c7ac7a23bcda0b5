<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fault;

/** What must hold between the rows of the atlas for it to be anatomy: the second reader of every muscle. */
final readonly class AtlasSense
{
    public function __construct(private Atlas $atlas)
    {
    }

    /** @return list<Fault> */
    public function faults(): array
    {
        $faults = [...$this->zones(), ...$this->regions()];
        foreach (array_values($this->atlas->muscles) as $index => $muscle) {
            $at = "muscles.json /muscles/$index";
            array_push(
                $faults, ...$this->lengthening($muscle, $at), ...$this->company($muscle, $at), ...$this->finding($muscle, $at),
                ...$this->working($muscle, $at), ...$this->part($muscle, $at),
            );
        }
        foreach ($this->atlas->handbook()->directions as $direction) {
            if ($this->atlas->handbook()->direction($direction->opposite)->opposite !== $direction->id) {
                $faults[] = new Fault(
                    'directions.json /directions', "\"{$direction->id}\" and \"{$direction->opposite}\" are not each other's opposite",
                );
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function zones(): array
    {
        $faults = [];
        foreach (array_values($this->atlas->zones) as $index => $zone) {
            foreach ($zone->neighbours as $neighbour) {
                if (! in_array($zone->id, $this->atlas->zone($neighbour)->neighbours, true)) {
                    $faults[] = new Fault(
                        "zones.json /zones/$index/neighbours", "\"{$zone->id}\" touches \"$neighbour\", which does not say so of it",
                    );
                }
            }
        }

        return $faults;
    }

    /**
     * Every zone lies in one region, and what a region checks is a movement or a test.
     *
     * @return list<Fault>
     */
    private function regions(): array
    {
        $faults = $of = [];
        foreach (array_values($this->atlas->regions) as $index => $region) {
            foreach ($region->zones as $zone) {
                if (isset($of[$zone])) {
                    $faults[] = new Fault("regions.json /regions/$index/zones", "\"$zone\" lies in \"{$of[$zone]}\" already");
                }
                $of[$zone] = $region->id;
            }
            foreach ([...$region->quick, ...$region->more] as [$kind, $id]) {
                if (! isset(($kind === 'test' ? $this->atlas->tests : $this->atlas->movements)[$id])) {
                    $faults[] = new Fault("regions.json /regions/$index", "\"$id\" is no ".($kind === 'test' ? 'test' : 'movement'));
                }
            }
            $checks = array_map(static fn (array $check): string => implode(' ', $check), [...$region->quick, ...$region->more]);
            foreach (array_diff_key($checks, array_unique($checks)) as $twice) {
                $faults[] = new Fault("regions.json /regions/$index", "\"$twice\" stands twice");
            }
        }
        foreach (array_diff(array_keys($this->atlas->zones), array_keys($of)) as $zone) {
            $faults[] = new Fault('regions.json /regions', "the zone \"$zone\" lies in no region");
        }

        return $faults;
    }

    /**
     * A movement that lengthens a muscle undoes something it does; pure structures are held by what moves under them.
     *
     * @return list<Fault>
     */
    private function lengthening(Muscle $muscle, string $at): array
    {
        if (($muscle->lengthenedBy === []) !== ($muscle->reference()->lengtheningNote !== null)) {
            return [
                new Fault(
                    "$at/lengthening_note", "\"{$muscle->id}\" needs movements that lengthen it or a note why there is none, and not both",
                ),
            ];
        }
        $undoing = array_map(
            fn (DirectionUse $use): string => $this->atlas->handbook()->direction($use->direction)->undoneBy($use->side)->key(),
            $this->atlas->does($muscle),
        );
        $does = array_map(
            static fn (MovementUse $use): string => $use->movement.$use->relation->value,
            array_filter($muscle->actions, static fn (MovementUse $use): bool => $use->prime),
        );
        $faults = [];
        foreach ($muscle->isStructure ? [] : $muscle->lengthenedBy as $index => $use) {
            $keys = array_map(static fn (DirectionUse $one): string => $one->key(), $this->atlas->brings($use));
            if (array_intersect($keys, $undoing) === []) {
                $faults[] = new Fault("$at/lengthened_by/$index", "\"{$use->movement}\" undoes nothing that \"{$muscle->id}\" does");
            }
            if (in_array($use->movement.$use->relation->value, $does, true)) {
                $faults[] = new Fault(
                    "$at/lengthened_by/$index", "\"{$use->movement}\" is what \"{$muscle->id}\" does, it cannot lengthen it",
                );
            }
        }

        return $faults;
    }

    /**
     * Antagonists and synergists know of each other; the first undo what it does, the second share it; what covers lies above.
     *
     * @return list<Fault>
     */
    private function company(Muscle $muscle, string $at): array
    {
        $faults = [];
        $brought = $this->broughtBy($muscle);
        $undoing = array_map(
            fn (DirectionUse $use): string => $this->atlas->handbook()->direction($use->direction)->undoneBy($use->side)->key(), $brought,
        );
        $keys = static fn (DirectionUse ...$uses): array => array_map(static fn (DirectionUse $use): string => $use->key(), $uses);
        foreach ($muscle->antagonists as $id) {
            $other = $this->atlas->muscle($id);
            if (! in_array($muscle->id, $other->antagonists, true)) {
                $faults[] = new Fault("$at/antagonists", "\"$id\" does not name \"{$muscle->id}\" as its antagonist");
            }
            if (array_intersect($undoing, $keys(...$this->broughtBy($other))) === []) {
                $faults[] = new Fault("$at/antagonists", "\"$id\" undoes nothing that \"{$muscle->id}\" does");
            }
        }
        foreach ($muscle->reference()->synergists as $id) {
            $other = $this->atlas->muscle($id);
            if (! in_array($muscle->id, $other->reference()->synergists, true)) {
                $faults[] = new Fault("$at/synergists", "\"$id\" does not name \"{$muscle->id}\" as its synergist");
            }
            if (
                ! $muscle->isStructure
                    && ! $other->isStructure
                    && array_intersect($keys(...$this->atlas->does($muscle)), $keys(...$this->atlas->does($other))) === []
            ) {
                $faults[] = new Fault("$at/synergists", "\"$id\" does nothing that \"{$muscle->id}\" does");
            }
        }
        foreach ($muscle->reference()->coveredBy as $id) {
            if ($id === $muscle->id || $this->atlas->muscle($id)->layer > $muscle->layer) {
                $faults[] = new Fault("$at/covered_by", "\"$id\" lies deeper than \"{$muscle->id}\" and cannot cover it");
            }
        }
        if ($muscle->layer > 2 && $muscle->reference()->coveredBy === []) {
            $faults[] = new Fault("$at/covered_by", "\"{$muscle->id}\" lies deep, something must cover it");
        }

        return $faults;
    }

    /**
     * A part lies within its whole and does nothing that the whole does not: what is said of the whole can be said of it.
     *
     * @return list<Fault>
     */
    private function part(Muscle $muscle, string $at): array
    {
        if ($muscle->partOf === null) {
            return [];
        }
        $whole = $this->atlas->muscle($muscle->partOf);
        $faults = $whole->partOf === null ? [] : [new Fault("$at/part_of", "\"{$whole->id}\" is a part itself")];
        foreach (array_diff($muscle->everyZone(), $whole->everyZone()) as $zone) {
            $faults[] = new Fault("$at/zones", "\"{$whole->id}\" does not reach \"$zone\"");
        }
        $keys = fn (Muscle $one): array => array_map(
            static fn (DirectionUse $use): string => $use->key(), $this->atlas->does($one),
        );
        foreach (array_diff($keys($muscle), $keys($whole)) as $use) {
            $faults[] = new Fault("$at/actions", "\"{$whole->id}\" does no $use");
        }
        foreach (array_diff($muscle->hazards, $whole->hazards) as $hazard) {
            $faults[] = new Fault("$at/hazards", "\"{$whole->id}\" does not know of \"$hazard\"");
        }
        if ($muscle->consent !== $whole->consent || ($whole->advanced && ! $muscle->advanced)) {
            $faults[] = new Fault($at, "\"{$whole->id}\" asks for more consent or skill");
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function finding(Muscle $muscle, string $at): array
    {
        $faults = [];
        $does = array_map(static fn (DirectionUse $use): string => $use->key(), $this->atlas->does($muscle));
        foreach ($muscle->reference()->proof->uses ?? [] as $index => $use) {
            if (! in_array($use->key(), $does, true)) {
                $faults[] = new Fault("$at/proof/uses/$index", "asks for \"{$use->direction}\", which \"{$muscle->id}\" does not do");
            }
        }
        if (! $muscle->isStructure && $muscle->reference()->proof === null) {
            $faults[] = new Fault("$at/proof", "\"{$muscle->id}\" has no proof by contraction");
        }
        $touched = array_filter($muscle->reference()->find, static fn (FindStep $step): bool => $step->landmark !== null);
        if ($touched === []) {
            $faults[] = new Fault("$at/find", "\"{$muscle->id}\" is found from no landmark");
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function working(Muscle $muscle, string $at): array
    {
        $faults = [];
        foreach (array_unique([...$muscle->positionsFor(Side::Left), ...$muscle->positionsFor(Side::Right)]) as $position) {
            if (! isset($this->atlas->positions[$position])) {
                $faults[] = new Fault("$at/positions", "\"$position\" is no position");
            }
        }
        foreach ([null, ...array_keys($muscle->sites)] as $site) {
            $tools = $muscle->toolsAt($site);
            $works = array_filter(
                $muscle->techniquesAt($site),
                fn (string $id): bool => $this->atlas->technique($id)->tools === []
                    || array_intersect($this->atlas->technique($id)->tools, $tools) !== [],
            );
            if ($works === []) {
                $faults[] = new Fault(
                    $site === null ? "$at/techniques" : "$at/sites/$site", 'none of its techniques can be done with any of its tools',
                );
            }
        }
        if (($muscle->reference()->selfCare === []) !== ($muscle->reference()->noSelfCare !== null)) {
            $faults[] = new Fault("$at/self_care", "\"{$muscle->id}\" needs self-care or a word why none suits it, and not both");
        }
        if (! $muscle->isStructure && $muscle->demands === []) {
            $faults[] = new Fault("$at/demands", "\"{$muscle->id}\" is shortened and tired by nothing");
        }

        return $faults;
    }

    /** @return list<DirectionUse> what it does, with what comes along */
    private function broughtBy(Muscle $muscle): array
    {
        return array_merge($muscle->reference()->otherActions, ...array_map($this->atlas->brings(...), $muscle->actions));
    }
}
