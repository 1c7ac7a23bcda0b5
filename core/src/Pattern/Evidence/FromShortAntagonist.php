<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/**
 * A short muscle keeps the one that opposes it overstretched and aching: the complaint lies over its antagonist. Runs after the signs of
 * shortness.
 */
final readonly class FromShortAntagonist implements Collector
{
    public function collect(RankingContext $context, SignBook $book): void
    {
        foreach ($context->candidates as $at) {
            $short = $book->sum($at, 'shortness', 'posture');
            if ($short <= 0) {
                continue;
            }
            foreach ($context->atlas->muscle($at->muscle)->antagonists as $antagonist) {
                if ($this->complainedOf($context, new MuscleAt($antagonist, $at->side))) {
                    $book->add(
                        $at,
                        $context->sign(
                            'antagonist', 'short_antagonist',
                            static fn (): string => 'It is short, and what it pulls on hurts: '.$context->atlas->muscle($antagonist)->name,
                            $antagonist,
                        ),
                    );
                }
            }
        }
    }

    private function complainedOf(RankingContext $context, MuscleAt $at): bool
    {
        foreach ($context->complaints as $complaint) {
            if ($complaint->liesOver($context->atlas->muscle($at->muscle), $at->side)) {
                return true;
            }
        }

        return false;
    }
}
