<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;

/** What each finding can speak of, whatever the case: laid out once for an atlas. */
final class AtlasIndex
{
    public const FAR_STEPS = 4;

    /** The key under which what is neither a muscle nor a joint stands among candidates. */
    public const NONE = 'none';

    /** Relations of a place in which the muscle itself is felt. */
    public const FELT = ['complaint_own_zone', 'complaint_core_referral', 'complaint_spill_over'];

    /** @var array<string, MuscleAt> by muscle and side, in the order of the keys */
    public readonly array $candidates;

    /** @var array<string, string> by muscle and side, in the order of the keys */
    public readonly array $names;

    /** @var array<string, array<string, true>> movement:side → keys of the muscles it lengthens, and of the joints it tells of */
    public readonly array $rangesKeys;

    /** @var array<string, array<string, true>> movement:side → keys of the candidates that move it */
    public readonly array $movesKeys;

    /** @var array<string, list<MuscleAt>> movement:side → candidates it lengthens */
    public readonly array $lengthens;

    /** @var array<string, list<array{MuscleAt, bool}>> movement:side → candidates that move it, and whether as prime mover */
    public readonly array $moves;

    /** @var array<string, list<string>> demand → muscles it strains */
    public readonly array $strains;

    public readonly JointIndex $joints;

    /** @var array<string, array<string, true>> test:side → keys of the candidates it speaks of */
    public readonly array $testsKeys;

    /** @var array<string, array<string, string>> by place: how a complaint there bears on each candidate that is not remote from it */
    private array $relations = [];

    public function __construct(public readonly Atlas $atlas)
    {
        [$candidates, $lengthens, $moves, $strains] = [[], [], [], []];
        foreach ($atlas->muscles as $muscle) {
            foreach (Side::pair() as $side) {
                $at = new MuscleAt($muscle->id, $side);
                $candidates[$at->key()] = $at;
                foreach ($muscle->lengthenedBy as $use) {
                    $lengthens[$use->keyFor($side)][] = $at;
                }
                foreach ($muscle->actions as $use) {
                    $moves[$use->keyFor($side)][] = [$at, $use->prime];
                }
            }
            foreach ($muscle->demands as $demand) {
                $strains[$demand][] = $muscle->id;
            }
        }
        ksort($candidates);
        $this->candidates = $candidates;
        $this->names = array_map($atlas->nameOf(...), $candidates);
        $this->movesKeys = array_map(
            static fn (array $touched): array => array_fill_keys(
                array_map(static fn (array $touch): string => $touch[0]->key(), $touched), true,
            ),
            $moves,
        );
        $this->lengthens = $lengthens;
        $this->moves = $moves;
        $this->strains = $strains;
        $this->joints = new JointIndex($this->atlas);
        $this->rangesKeys = $this->rangesKeys();
        $this->testsKeys = $this->testsKeys();
    }

    /** @return array<string, array<string, true>> */
    private function rangesKeys(): array
    {
        $touched = array_map(
            static fn (array $list): array => array_fill_keys(array_map(static fn (MuscleAt $at): string => $at->key(), $list), true),
            $this->lengthens,
        );
        foreach ($this->joints->starts as $key => $starts) {
            [$measure, $side] = explode(':', $key);
            $movement = $this->atlas->movements[$measure] ?? null;
            if ($movement !== null && $movement->paired === ($side !== Side::Midline->value)) {
                foreach ($starts as [$at]) {
                    $touched[$key][$at->key()] = true;
                }
            }
        }

        return $touched;
    }

    /** @return array<string, array<string, true>> */
    private function testsKeys(): array
    {
        $touched = [];
        foreach ($this->atlas->tests as $test) {
            foreach ($test->paired ? Side::pair() : [Side::Midline] as $side) {
                $key = "{$test->id}:{$side->value}";
                $muscles = $test->short;
                foreach ($test->speaksOf as $one) {
                    array_push($muscles, ...$one->muscles);
                    foreach ($one->joint === null ? [] : $this->joints->of["{$one->joint}:{$side->value}"] ?? [] as $at) {
                        $touched[$key][$at->key()] = true;
                    }
                    if ($one->none !== null) {
                        $touched[$key][self::NONE] = true;
                    }
                }
                foreach ($muscles as $muscle) {
                    foreach ($side === Side::Midline ? Side::pair() : [$side] as $on) {
                        $touched[$key]["$muscle:{$on->value}"] = true;
                    }
                }
                foreach ($this->joints->starts[$key] ?? [] as [$at, $start]) {
                    if ($start->speaksOf($at->level, null)) {
                        $touched[$key][$at->key()] = true;
                    }
                }
            }
        }

        return $touched;
    }

    /** @return array<string, string> by muscle and side, the name of the weight; who is not in it lies in another part of the body */
    public function relations(Place $place): array
    {
        return $this->relations[$place->key()] ??= $this->relationsOf($place);
    }

    /** @return array<string, string> */
    private function relationsOf(Place $place): array
    {
        $steps = [];
        foreach (Side::pair() as $side) {
            foreach ($this->atlas->zones as $zone) {
                $steps[$side->value][$zone->id] = $this->atlas->steps($place, $this->atlas->placeOn($zone->id, $side));
            }
        }
        $relations = [];
        foreach ($this->candidates as $at) {
            $muscle = $this->atlas->muscle($at->muscle);
            $near = 99;
            foreach ([...$muscle->zones, ...$muscle->coreReferral] as $zone) {
                $near = min($near, $steps[$at->side->value][$zone] ?? 99);
            }
            $relation = $this->felt($muscle, $at->side, $place) ?? match (true) {
                $near <= 1 => 'complaint_neighbour',
                $near <= self::FAR_STEPS => 'complaint_far',
                default => null,
            };
            if ($relation !== null) {
                $relations[$at->key()] = $relation;
            }
        }

        return $relations;
    }

    private function felt(Muscle $muscle, Side $side, Place $place): ?string
    {
        if ($place->side !== Side::Midline && $place->side !== $side) {
            return null;
        }
        $own = in_array($place->zone, $muscle->zones, true);

        return match (true) {
            ! $own && in_array($place->zone, $muscle->coreReferral, true) => 'complaint_core_referral',
            $own => 'complaint_own_zone',
            in_array($place->zone, $muscle->spillOver, true) => 'complaint_spill_over',
            default => null,
        };
    }
}
