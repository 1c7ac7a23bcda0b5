<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Pattern\Scene;
use Somatrace\Core\Pattern\SignBook;

/** A short muscle keeps the one that opposes it overstretched and aching: the complaint lies over its antagonist. Runs after the signs of shortness. */
final readonly class FromShortAntagonist implements Collector
{
    public function collect(Scene $scene, SignBook $book): void
    {
        foreach ($scene->index->candidates as $at) {
            $short = $book->sum($at, 'shortness', 'posture');
            if ($short <= 0) {
                continue;
            }
            foreach ($scene->atlas->muscle($at->muscle)->antagonists as $antagonist) {
                if ($this->complainedOf($scene, new MuscleAt($antagonist, $at->side))) {
                    $book->add($at, $scene->sign('antagonist', 'short_antagonist', static fn (): string => 'It is short, and what it pulls on hurts: '.$scene->atlas->muscle($antagonist)->name, $antagonist));
                }
            }
        }
    }

    private function complainedOf(Scene $scene, MuscleAt $at): bool
    {
        foreach ($scene->complaints as $complaint) {
            if ($complaint->liesOver($scene->atlas->muscle($at->muscle), $at->side)) {
                return true;
            }
        }

        return false;
    }
}
