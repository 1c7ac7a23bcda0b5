<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Pattern\Scene;
use Somatrace\Core\Pattern\SignBook;

/** Where it hurts, held against where a muscle lies and where it is known to be felt. */
final readonly class FromComplaint implements Collector
{
    private const FAR_STEPS = 4;

    public function collect(Scene $scene, SignBook $book): void
    {
        foreach ($scene->candidates as $at) {
            foreach ($scene->complaints as $complaint) {
                [$weight, $words] = $this->relation($scene, $at, $complaint->place());
                $book->add($at, $scene->sign('complaint', $weight, ucfirst($scene->atlas->placeName($complaint->place())).' hurts: '.$words, $complaint->place()->key()));
                $this->spread($scene, $book, $at, $complaint);
            }
        }
    }

    private function spread(Scene $scene, SignBook $book, MuscleAt $at, Complaint $complaint): void
    {
        $muscle = $scene->atlas->muscle($at->muscle);
        foreach ($complaint->spreadsTo as $place) {
            if ($this->on($at, $place) && in_array($place->zone, [...$muscle->zones, ...$muscle->coreReferral, ...$muscle->spillOver], true)) {
                $book->add($at, $scene->sign('complaint', 'complaint_spread', 'It spreads to the '.$scene->atlas->placeName($place).', where this muscle is felt', $place->key()));
            }
        }
    }

    /** @return array{string, string} weight and words */
    private function relation(Scene $scene, MuscleAt $at, Place $place): array
    {
        $muscle = $scene->atlas->muscle($at->muscle);
        $here = $this->on($at, $place);
        if ($here && in_array($place->zone, $muscle->coreReferral, true) && ! in_array($place->zone, $muscle->zones, true)) {
            return ['complaint_core_referral', 'this muscle is typically felt there'];
        }
        if ($here && in_array($place->zone, $muscle->zones, true)) {
            return ['complaint_own_zone', 'this muscle lies there'];
        }
        if ($here && in_array($place->zone, $muscle->spillOver, true)) {
            return ['complaint_spill_over', 'this muscle is sometimes felt there'];
        }
        $steps = min([99, ...array_map(
            static fn (string $zone): int => $scene->atlas->steps($place, $scene->atlas->placeOn($zone, $at->side)),
            [...$muscle->zones, ...$muscle->coreReferral],
        )]);

        return match (true) {
            $steps <= 1 => ['complaint_neighbour', 'next to this muscle'],
            $steps <= self::FAR_STEPS => ['complaint_far', 'away from this muscle and from where it is felt'],
            default => ['complaint_remote', 'in another part of the body'],
        };
    }

    private function on(MuscleAt $at, Place $place): bool
    {
        return $place->side === Side::Midline || $place->side === $at->side;
    }
}
