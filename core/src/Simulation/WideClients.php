<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Demand;
use Somatrace\Core\Pattern\WholePattern;

/**
 * Simulated clients who are more than muscles: one in ten hurts from something that is neither muscle nor stiff joint, one in eight of the
 * others from a joint, one in four has a stiff one beside, one in ten hurts on both sides alike, and three in ten of those who complain of
 * the upper body work and shorten on one side.
 */
final readonly class WideClients
{
    private const UPPER = ['head', 'neck', 'shoulder', 'trunk', 'arm'];

    public function __construct(private Atlas $atlas, private SimulatedClients $clients, private WholePattern $whole)
    {
    }

    /** @return \Generator<int, SimulatedClient> */
    public function many(int $count, int $seed): \Generator
    {
        foreach ($this->clients->many($count, $seed) as $n => $client) {
            yield $n => $this->widened($client, new Chance(crc32("$seed|$n|wide")));
        }
    }

    private function widened(SimulatedClient $client, Chance $chance): SimulatedClient
    {
        [$hidden, $joints, $outside] = [$client->hidden, [], null];
        $complaints = $client->complaints;
        if ($chance->happens(0.10)) {
            $outside = $this->outside($chance);
            $hidden = array_filter($hidden, static fn (HiddenMuscle $one): bool => ! $one->isSource());
            $complaints = $this->complaintsOf($outside, $chance);
        } else {
            $place = $client->complaints[0]->place();
            $chief = $chance->happens(0.125);
            if ($chief || $chance->happens(0.25)) {
                $joint = $this->joint($place, $chief, $chance);
                $joints = $joint === null ? [] : [$joint];
                $hidden += $joint === null ? [] : $this->keptTense($joint, $chance);
                if ($chief && $joint !== null) {
                    $hidden = array_map(static fn (HiddenMuscle $one): HiddenMuscle => $one->weaker(0.6), $hidden);
                    $complaints = $this->ledBy($joint, array_map(
                        static fn (Complaint $one): Complaint => new Complaint(
                            $one->zone, $one->side, max(1.0, round(0.6 * (float) $one->now)),
                        ),
                        $complaints,
                    ), $chance);
                }
            }
            if (! $chief && $chance->happens(0.10)) {
                [$hidden, $complaints] = $this->doubled($hidden, $complaints, $chance);
            }
        }
        $upper = in_array($this->atlas->zone($complaints[0]->zone)->group, self::UPPER, true);
        $hand = Side::from($client->hand);
        $busy = $upper && $chance->happens(0.3) ? ($chance->happens(0.85) ? $hand : $hand->mirrored()) : null;
        $demands = $busy !== null && $chance->happens(0.7) && $client->demands !== []
            ? [new Demand($client->demands[0]->demand, $busy, 10.0), ...array_slice($client->demands, 1)] : $client->demands;
        $ill = array_keys(array_filter($hidden, static fn (HiddenMuscle $one): bool => $one->isSource()));

        return $client->wider($hidden, $complaints, $demands, new Beyond(
            $this->atlas, $this->whole, $client->seed, $joints, $outside, $busy, array_map(strval(...), $ill),
        ));
    }

    private function outside(Chance $chance): Outside
    {
        $kind = $chance->pick(array_keys(Outside::PICTURES));
        $picture = $chance->pick(Outside::PICTURES[$kind]);

        return new Outside($kind, $chance->pick(Side::pair()), $picture['zones'], $picture['moves'], $picture['weak']);
    }

    /** @return list<Complaint> */
    private function complaintsOf(Outside $outside, Chance $chance): array
    {
        $complaints = [];
        foreach ($outside->zones as $n => $zone) {
            if ($n === 0 || $chance->happens(0.6)) {
                $place = $this->atlas->placeOn($zone, $outside->side);
                $quality = $outside->kind === 'root' && $chance->happens(0.7) ? [$chance->pick(['tingling', 'numb', 'electric'])] : [];
                $complaints[] = new Complaint($place->zone, $place->side, (float) $chance->int(4, 8), qualities: $quality);
            }
        }

        return $complaints;
    }

    /** A joint that is felt there; null where none is. */
    private function joint(Place $place, bool $hurts, Chance $chance): ?HiddenJoint
    {
        $fitting = [];
        foreach ($this->atlas->handwork()->joints as $joint) {
            foreach ($joint->places() as $level) {
                $pain = $joint->painAt($level);
                if (in_array($place->zone, [...$pain->own, ...$pain->felt], true)) {
                    $fitting[$joint->id][] = [$joint, $level, $pain];
                }
            }
        }
        if ($fitting === []) {
            return null;
        }
        [$joint, $level, $pain] = $chance->pick($fitting[$chance->pick(array_keys($fitting))]);
        $side = $place->side === Side::Midline ? $chance->pick(Side::pair()) : $place->side;
        $at = new JointAt($joint, $level, $joint->central ? Side::Midline : $side);
        $felt = [];
        foreach ([...$pain->own, ...$pain->felt] as $zone) {
            if ($zone === $place->zone || $chance->happens(0.35)) {
                $felt[] = $this->atlas->placeOn($zone, $side);
            }
        }

        return new HiddenJoint($at, $hurts ? 1.0 : 0.0, $chance->between(0.6, 1), $chance->between(0.5, 1), $felt);
    }

    /** @return array<string, HiddenMuscle> a muscle around a stiff joint that is tense and not to blame, more often than not */
    private function keptTense(HiddenJoint $joint, Chance $chance): array
    {
        if (! $chance->happens(0.6)) {
            return [];
        }
        $at = new MuscleAt(
            $chance->pick($joint->at->joint->around), $joint->at->side === Side::Midline ? $chance->pick(Side::pair()) : $joint->at->side,
        );

        return [$at->key() => new HiddenMuscle($at, 0.0, $chance->between(0.2, 0.7), $chance->between(0.1, 0.7), [
            $this->atlas->placeOn($this->atlas->muscle($at->muscle)->zones[0] ?? '', $at->side),
        ])];
    }

    /**
     * @param  list<Complaint>  $complaints
     * @return list<Complaint>
     */
    private function ledBy(HiddenJoint $joint, array $complaints, Chance $chance): array
    {
        $led = [];
        foreach ($joint->felt as $place) {
            $led[$place->key()] = new Complaint($place->zone, $place->side, (float) max(3, min(10, (int) round(6.5 + $chance->normal(1)))));
        }
        foreach ($complaints as $complaint) {
            $led[$complaint->place()->key()] ??= $complaint;
        }

        return array_slice(array_values($led), 0, 5);
    }

    /**
     * @param  array<string, HiddenMuscle>  $hidden
     * @param  list<Complaint>  $complaints
     * @return array{array<string, HiddenMuscle>, list<Complaint>}
     */
    private function doubled(array $hidden, array $complaints, Chance $chance): array
    {
        foreach ($hidden as $one) {
            if ($one->isSource()) {
                $at = new MuscleAt($one->at->muscle, $one->at->side->mirrored());
                $hidden[$at->key()] ??= new HiddenMuscle(
                    $at, $one->strength * $chance->between(0.9, 1), $one->tightness, $one->irritability,
                    array_map(fn (Place $place): Place => $this->atlas->placeOn($place->zone, $place->side->mirrored()), $one->felt),
                );
            }
        }
        $both = [];
        foreach ($complaints as $complaint) {
            $both[$complaint->place()->key()] = $complaint;
            $across = $this->atlas->placeOn($complaint->zone, $complaint->side->mirrored());
            $both[$across->key()] ??= new Complaint($across->zone, $across->side, $complaint->now);
        }

        return [$hidden, array_slice(array_values($both), 0, 6)];
    }
}
