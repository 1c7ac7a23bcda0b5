<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fault;

/** What must hold between spots, set-ups, moves, joints and routines for hands to be able to do it: the second reader of the handwork. */
final readonly class HandworkSense
{
    private const BELLY = 'belly';

    private Handwork $handwork;

    /** What a therapist presses with, not a client's elbow or fist. */
    private const NAMES_A_HAND = '/\b(pads?|fingers?|fingertips?|fists?|knuckles?|forearm of|forearm’s|palm|pinch)\b/iu';

    public function __construct(private Atlas $atlas)
    {
        $this->handwork = $atlas->handwork();
    }

    /** @return list<Fault> */
    public function faults(): array
    {
        return [
            ...$this->techniques(), ...$this->setups(), ...$this->spots(), ...$this->moves(), ...$this->joints(), ...$this->routines(),
        ];
    }

    /** @return list<Fault> a dose lies within the pressure of its technique, and what presses nothing has no dose of pressure */
    private function techniques(): array
    {
        $faults = [];
        foreach (array_values($this->atlas->techniques) as $index => $technique) {
            foreach ($technique->doses as $at => $dose) {
                foreach (['seconds' => $dose->seconds, 'repeats' => $dose->repeats, 'spots' => $dose->spots] as $name => $span) {
                    if ($span->least > $span->most) {
                        $faults[] = new Fault("techniques.json /techniques/$index/doses/$at/$name", 'the least is more than the most');
                    }
                }
                if ($dose->pressure !== null && ($technique->pressure === null || $dose->pressure->most > $technique->pressure->most)) {
                    $faults[] = new Fault("techniques.json /techniques/$index/doses/$at/pressure", 'is more than the technique presses');
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function setups(): array
    {
        $faults = [];
        foreach (array_values($this->handwork->setups) as $index => $setup) {
            foreach ($setup->opens as $zone) {
                foreach ($setup->positions as $position) {
                    if (in_array($this->atlas->zone($zone)->surface, $this->atlas->position($position)->reaches, true)) {
                        $faults[] = new Fault(
                            "setups.json /setups/$index/opens", "\"$zone\" is reached $position without it: nothing is opened",
                        );
                    }
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function spots(): array
    {
        $faults = [];
        foreach (array_values($this->handwork->spots) as $index => $map) {
            $muscle = $this->atlas->muscle($map->muscle);
            foreach (array_values($map->spots) as $at => $spot) {
                if ($spot->site !== self::BELLY && ! isset($muscle->sites[$spot->site])) {
                    $faults[] = new Fault("spots.json /muscles/$index/spots/$at/site", "\"{$map->muscle}\" has no {$spot->site}");
                }
            }
            foreach ($map->lines as $at => $line) {
                if ($line['from'] === $line['to']) {
                    $faults[] = new Fault("spots.json /muscles/$index/lines/$at", 'goes nowhere');
                }
            }
        }
        foreach (array_diff(array_keys($this->atlas->muscles), array_keys($this->handwork->spots)) as $missing) {
            $faults[] = new Fault('spots.json /muscles', "\"$missing\" has no spots");
        }

        return $faults;
    }

    /** @return list<Fault> what is asked for lengthens the muscle, in a position that allows it and from which a hand comes to it */
    private function moves(): array
    {
        $faults = [];
        foreach ($this->handwork->moves as $index => $move) {
            $at = "moves.json /moves/$index";
            array_push($faults, ...$this->positions($move->positions, $at));
            if (($move->technique === 'pin_and_lengthen') !== ($move->do !== null)) {
                $faults[] = new Fault($at, 'what the therapist moves has "do", what the client is asked has "say"');
            }
            $setup = $move->setup === null ? null : $this->handwork->setup($move->setup);
            foreach ($move->muscles as $id) {
                $muscle = $this->atlas->muscle($id);
                $keys = array_map(
                    static fn (MovementUse $use): string => $use->movement.$use->relation->value, $muscle->lengthenedBy,
                );
                if (! in_array($move->toward->movement.$move->toward->relation->value, $keys, true)) {
                    $faults[] = new Fault("$at/movement", "\"{$move->toward->movement}\" does not lengthen \"$id\"");
                }
                foreach ($move->positions as $position) {
                    $opened = $setup !== null && array_intersect($setup->opens, $muscle->everyZone()) !== [];
                    // whose limb pushes and is carried need not be worked on there
                    $touched = $move->technique !== 'contract_relax';
                    $family = $this->atlas->positions[$position]->family ?? $position;
                    if ($touched && ! $opened && array_intersect([$position, $family], $muscle->positions) === []) {
                        $faults[] = new Fault("$at/positions", "\"$id\" is not worked on $position");
                    }
                }
            }
            foreach (Side::Left->positions($move->positions) as $position) {
                if ($setup !== null && ! in_array($position, $setup->positions, true)) {
                    $faults[] = new Fault("$at/setup", "nobody lies \"{$setup->id}\" $position");
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function joints(): array
    {
        $faults = [];
        foreach (array_values($this->handwork->joints) as $index => $joint) {
            foreach ($joint->works as $at => $work) {
                $where = "joints.json /joints/$index/manoeuvres/$at";
                array_push($faults, ...$this->positions($work->positions, $where), ...$this->tool($work->technique, $work->tool, $where));
                foreach (array_diff($work->levels, $joint->levels) as $level) {
                    $faults[] = new Fault("$where/levels", "\"{$joint->id}\" has no level $level");
                }
            }
            foreach ($joint->levels === [] ? [null] : $joint->levels as $level) {
                if (array_filter($joint->works, static fn (JointWork $work): bool => $work->suits($level)) === []) {
                    $faults[] = new Fault("joints.json /joints/$index/manoeuvres", "nothing is done at $level");
                }
                if (count(array_filter($joint->pain, static fn (JointPain $pain): bool => $pain->isAt($level))) !== 1) {
                    $faults[] = new Fault("joints.json /joints/$index/pain", "where $level is felt must be said once");
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function routines(): array
    {
        $faults = $worked = [];
        foreach (array_values($this->handwork->routines) as $index => $routine) {
            foreach ($routine->stages as $s => $stage) {
                array_push($worked, ...$stage->muscles);
                foreach ($stage->ways as $w => $way) {
                    $at = "routines.json /routines/$index/stages/$s/ways/$w";
                    array_push(
                        $faults, ...$this->positions([...$way->setupPositions, ...array_filter([$way->position])], $at),
                        ...($way->tool === null ? [] : $this->tool($way->technique, $way->tool, $at)), ...$this->words($way, $at),
                    );
                    foreach ($stage->muscles === [] ? [] : $way->spots as $spot) {
                        $known = array_filter(
                            $stage->muscles,
                            fn (string $muscle): bool => $way->isFor($muscle) && isset($this->handwork->spotsOf($muscle)->spots[$spot]),
                        );
                        if ($known === []) {
                            $faults[] = new Fault("$at/spots", "none of its muscles has a spot \"$spot\"");
                        }
                    }
                }
            }
        }
        foreach (array_diff(array_keys($this->atlas->muscles), $worked) as $missing) {
            $faults[] = new Fault('routines.json /routines', "\"$missing\" is worked in no routine");
        }

        return $faults;
    }

    /**
     * @param  list<string>  $positions
     * @return list<Fault>
     */
    private function positions(array $positions, string $at): array
    {
        return array_values(array_map(
            static fn (string $position): Fault => new Fault("$at/positions", "\"$position\" is no position"),
            array_filter(Side::Left->positions($positions), fn (string $one): bool => ! isset($this->atlas->positions[$one])),
        ));
    }

    /** @return list<Fault> words that name a hand say of which tools they are true, the one that is meant among them */
    private function words(Way $way, string $at): array
    {
        $unknown = array_diff($way->wordsWith, array_keys($this->atlas->tools));

        return match (true) {
            $unknown !== [] => [new Fault("$at/words_with", '"'.implode('", "', $unknown).'" is no tool')],
            $way->tool !== null && $way->wordsWith !== [] && ! in_array($way->tool, $way->wordsWith, true) =>
                [new Fault("$at/words_with", "its words are not true of \"$way->tool\", which is meant")],
            $way->wordsWith === [] && preg_match(self::NAMES_A_HAND, $way->do) === 1 =>
                [new Fault("$at/do", 'it names a hand: words_with tells of which tools that is true')],
            default => [],
        };
    }

    /** @return list<Fault> */
    private function tool(string $technique, string $tool, string $at): array
    {
        $only = $this->atlas->technique($technique)->tools;

        return $only === [] || in_array($tool, $only, true)
            ? []
            : [new Fault("$at/tool", "\"$technique\" is not done with \"$tool\", allowed are ".implode(', ', $only))];
    }
}
