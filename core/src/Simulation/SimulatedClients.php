<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Demand;

/**
 * Makes simulated clients: one to three sources, two to four latent decoys, a complaint that lies where the sources are felt, a fifth of
 * the referrals false or missing, days that ask something of the busy side.
 */
final readonly class SimulatedClients
{
    private const REFERRAL_WRONG = 0.2;

    /** So many times as often is a common muscle the source as one that seldom is. */
    private const COMMON_PER_SELDOM = 3;

    /** @var array<string, non-empty-list<Muscle>> muscles by region of their first zone, each as often as it is chosen */
    private array $byRegion;

    /** @param  array<string, string>  $regionOfZone  as the planner has them */
    public function __construct(private Atlas $atlas, private array $regionOfZone)
    {
        $byRegion = [];
        foreach (array_filter($atlas->muscles, static fn (Muscle $one): bool => $one->partOf === null) as $muscle) {
            for ($often = $muscle->seldom ? 1 : self::COMMON_PER_SELDOM; $often > 0; $often--) {
                $byRegion[$this->regionOf($muscle)][] = $muscle;
            }
        }
        ksort($byRegion);
        $this->byRegion = $byRegion;
    }

    /** @return \Generator<int, SimulatedClient> regions by turns, so that each has its share */
    public function many(int $count, int $seed): \Generator
    {
        $regions = array_keys($this->byRegion);
        for ($n = 0; $n < $count; $n++) {
            yield $n => $this->one(crc32("$seed|$n"), $regions[$n % count($regions)]);
        }
    }

    public function one(int $seed, string $region): SimulatedClient
    {
        $chance = new Chance($seed);
        $hand = $chance->happens(0.9) ? 'right' : 'left';
        $side = $chance->happens(0.6) === ($hand === 'right') ? Side::Right : Side::Left;
        $hidden = [];
        $put = function (Muscle $muscle, Side $on, float $strength) use (&$hidden, $chance): void {
            $at = new MuscleAt($muscle->id, $on);
            if (isset($hidden[$at->key()])) {
                return;
            }
            $source = $strength > 0;
            $hidden[$at->key()] = new HiddenMuscle(
                $at, $strength, $source ? $chance->between(0.4, 1) : $chance->between(0.2, 0.7),
                $source ? $chance->between(0.5, 1) : $chance->between(0.1, 0.7), $this->felt($muscle, $on, $chance),
            );
        };
        $strength = $chance->between(0.8, 1);
        $sources = $chance->happens(0.5) ? 1 : ($chance->happens(0.7) ? 2 : 3);
        for ($n = 0; $n < $sources; $n++) {
            $put($chance->pick($this->byRegion[$region]), $n === 0 || $chance->happens(0.75) ? $side : $side->mirrored(), $strength);
            $strength *= $chance->between(0.5, 0.9);
        }
        $near = $this->nearRegions($region);
        for ($n = 0, $decoys = $chance->int(2, 4); $n < $decoys; $n++) {
            $put(
                $chance->pick($this->byRegion[$chance->happens(0.6) ? $region : $chance->pick($near)]),
                $chance->happens(0.6) ? $side : $side->mirrored(), 0,
            );
        }

        return new SimulatedClient(
            $this->atlas, $seed, $region, $hidden, $this->complaints($hidden, $chance), $this->demands($hidden, $chance), $hand,
            $chance->normal(0.5), $chance->between(0.75, 1),
        );
    }

    private function regionOf(Muscle $muscle): string
    {
        return $this->regionOfZone[$muscle->zones[0] ?? ''] ?? 'other';
    }

    /** @return non-empty-list<string> regions whose zones touch this one, or itself */
    private function nearRegions(string $region): array
    {
        $near = [];
        foreach ($this->atlas->zones as $zone) {
            if (($this->regionOfZone[$zone->id] ?? null) === $region) {
                foreach ($zone->neighbours as $neighbour) {
                    $near[$this->regionOfZone[$neighbour] ?? $region] = true;
                }
            }
        }
        $near = array_values(array_filter(array_keys($near), fn (string $name): bool => isset($this->byRegion[$name])));
        sort($near);

        return $near === [] ? [$region] : $near;
    }

    /** @return list<Place> where it is felt: over itself or where it is known to send, one in five beside it or not at all */
    private function felt(Muscle $muscle, Side $side, Chance $chance): array
    {
        $places = [];
        $put = function (string $zone) use (&$places, $side): void {
            $place = $this->atlas->placeOn($zone, $side);
            $places[$place->key()] = $place;
        };
        $known = [...array_fill_keys($muscle->spillOver, 0.25), ...array_fill_keys($muscle->coreReferral, 0.75)];
        ksort($known);
        foreach ($known as $zone => $often) {
            if (! $chance->happens($often)) {
                continue;
            }
            if (! $chance->happens(self::REFERRAL_WRONG)) {
                $put($zone);
            } elseif ($chance->oneIn(2) && $this->atlas->zone($zone)->neighbours !== []) {
                $put($chance->pick($this->atlas->zone($zone)->neighbours));
            }
        }
        if ($places === [] || $chance->happens(0.4)) {
            $put($chance->pick($muscle->zones));
        }

        return array_values($places);
    }

    /**
     * @param  array<string, HiddenMuscle>  $hidden
     * @return list<Complaint> at most five, the strongest first
     */
    private function complaints(array $hidden, Chance $chance): array
    {
        $pain = [];
        foreach ($hidden as $muscle) {
            foreach ($muscle->isSource() ? $muscle->felt : [] as $place) {
                $now = max(1, min(10, (int) round(7 * $muscle->strength + $chance->normal(1))));
                $known = $pain[$place->key()] ?? null;
                if ($known === null || $known->now < $now) {
                    $pain[$place->key()] = new Complaint($place->zone, $place->side, (float) $now);
                }
            }
        }
        usort($pain, static fn (Complaint $a, Complaint $b): int => [$b->now, $a->place()->key()] <=> [$a->now, $b->place()->key()]);

        return array_slice($pain, 0, 5);
    }

    /**
     * @param  array<string, HiddenMuscle>  $hidden
     * @return list<Demand>
     */
    private function demands(array $hidden, Chance $chance): array
    {
        $demands = [];
        foreach ($hidden as $muscle) {
            $asked = $this->atlas->muscle($muscle->at->muscle)->demands;
            if ($asked !== [] && $chance->happens($muscle->isSource() ? 0.6 : 0.25)) {
                $demands[] = $chance->pick($asked);
            }
        }
        $demands[] = $chance->pick(array_keys($this->atlas->demands));

        return array_map(static fn (string $demand): Demand => new Demand($demand), array_values(array_unique($demands)));
    }
}
