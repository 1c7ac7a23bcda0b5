<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Pattern\Scene;
use Somatrace\Core\Pattern\SignBook;

/** What the days ask of a muscle, more so on the busy side. */
final readonly class FromDemand implements Collector
{
    public function collect(Scene $scene, SignBook $book): void
    {
        $worse = [];
        foreach ($scene->complaints as $complaint) {
            foreach ($complaint->worseWith as $with) {
                if ($with->demand !== null) {
                    $worse[$with->demand] = true;
                }
            }
        }
        foreach ($scene->candidates as $at) {
            $this->candidate($scene, $book, $at, $worse);
        }
    }

    /** @param  array<string, true>  $worse demands that make a complaint worse */
    private function candidate(Scene $scene, SignBook $book, MuscleAt $at, array $worse): void
    {
        $strained = $scene->atlas->muscle($at->muscle)->demands;
        foreach ($scene->case->demands as $demand) {
            if (! in_array($demand->demand, $strained, true) || ($demand->side !== null && $demand->side !== $at->side)) {
                continue;
            }
            $name = $scene->atlas->demands[$demand->demand] ?? $demand->demand;
            $book->add($at, $scene->sign('demand', 'demand', "The days ask for it: $name", $demand->demand));
            if ($scene->case->client->hand === $at->side->value) {
                $book->add($at, $scene->sign('demand', 'demand_dominant', "The busy side: $name", $demand->demand));
            }
        }
        foreach (array_intersect(array_keys($worse), $strained) as $demand) {
            $book->add($at, $scene->sign('demand', 'worse_with_demand', 'Worse with '.($scene->atlas->demands[$demand] ?? $demand), $demand));
        }
    }
}
