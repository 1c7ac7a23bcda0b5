<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Joint;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\JointStart;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;

/** What each finding can speak of among joints, whatever the case: laid out once for an atlas. */
final class JointIndex
{
    /** @var array<string, JointAt> by key, in the order of the keys */
    public readonly array $all;

    /** @var array<string, string> by key */
    public readonly array $names;

    /** @var array<string, list<JointAt>> joint:side → it; every level where it has levels */
    public readonly array $of;

    /** @var array<string, list<array{JointAt, JointStart}>> test or movement, and side → joints it may speak of, and how */
    public readonly array $starts;

    /** @var array<string, list<JointAt>> movement:side → joints it is measured again after */
    public readonly array $again;

    /** @var array<string, array<string, string>> by place: how a complaint there bears on each joint that is not remote from it */
    private array $relations = [];

    public function __construct(private readonly Atlas $atlas)
    {
        [$joints, $of, $starts, $again] = [[], [], [], []];
        foreach ($this->atlas->handwork()->joints as $joint) {
            foreach ($joint->places() as $level) {
                foreach ($joint->sides() as $side) {
                    $at = new JointAt($joint, $level, $side);
                    $joints[$at->key()] = $at;
                    foreach ($side === Side::Midline ? [Side::Midline, ...Side::pair()] : [$side, Side::Midline] as $told) {
                        $of["{$joint->id}:{$told->value}"][] = $at;
                        foreach ($joint->starts as $start) {
                            foreach (array_filter([$start->test, $start->movement, $start->short, ...$start->pattern]) as $measure) {
                                $starts["$measure:{$told->value}"][] = [$at, $start];
                            }
                        }
                        foreach (self::onlyAgain($joint) as $movement) {
                            $again["$movement:{$told->value}"][] = $at;
                        }
                    }
                }
            }
        }
        ksort($joints);
        $this->all = $joints;
        $this->names = array_map(static fn (JointAt $at): string => $at->name(), $joints);
        $this->of = $of;
        $this->starts = $starts;
        $this->again = $again;
    }

    /** @return list<string> movements that are measured again after it, and do not start it */
    private static function onlyAgain(Joint $joint): array
    {
        $starts = [];
        foreach ($joint->starts as $start) {
            array_push($starts, ...array_filter([$start->movement, $start->short, ...$start->pattern]));
        }

        return array_values(array_diff(
            array_column(array_filter($joint->again, static fn (array $one): bool => $one['kind'] === 'movement'), 'id'), $starts,
        ));
    }

    /** @return array<string, string> by joint, the name of the weight */
    public function relations(Place $place): array
    {
        return $this->relations[$place->key()] ??= $this->relationsOf($place);
    }

    /** @return array<string, string> */
    private function relationsOf(Place $place): array
    {
        $relations = [];
        foreach ($this->all as $key => $at) {
            $pain = $at->joint->painAt($at->level);
            $same = in_array($at->side, [Side::Midline, $place->side], true) || $place->side === Side::Midline;
            $near = 99;
            foreach ($pain->own as $zone) {
                $side = $at->side === Side::Midline ? $place->side : $at->side;
                $near = min($near, $this->atlas->steps($place, $this->atlas->placeOn($zone, $side)));
            }
            $relation = match (true) {
                $same && in_array($place->zone, $pain->own, true) => 'complaint_own_zone',
                $same && in_array($place->zone, $pain->felt, true) => 'complaint_spill_over',
                $near <= 1 => 'complaint_neighbour',
                $near <= AtlasIndex::FAR_STEPS => 'complaint_far',
                default => null,
            };
            if ($relation !== null) {
                $relations[$key] = $relation;
            }
        }

        return $relations;
    }
}
