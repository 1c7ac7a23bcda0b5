<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\RoutineStage;
use Somatrace\Core\Anatomy\Way;

/** What routines do around the work on their targets. */
final readonly class RoutineStages
{
    private const BEFORE = 'prepare';

    public function __construct(private Atlas $atlas)
    {
    }

    /**
     * @param  list<string>  $muscles  that are worked
     * @param  float  $minutes  of the visit
     * @return list<array{RoutineStage, Way}> of the routine that works most of them, in order
     */
    public function before(array $muscles, float $minutes): array
    {
        $counts = [];
        foreach ($muscles as $muscle) {
            foreach ($this->atlas->handwork()->stagesOf($muscle) as [$routine]) {
                $counts[$routine->id] = ($counts[$routine->id] ?? 0) + 1;
            }
        }
        $best = null;
        foreach ($this->atlas->handwork()->routines as $routine) {
            if (isset($counts[$routine->id]) && ($best === null || $counts[$routine->id] > $counts[$best->id])) {
                $best = $routine;
            }
        }
        $before = [];
        foreach ($best->stages ?? [] as $stage) {
            if ($stage->when === self::BEFORE && $minutes >= ($stage->fromMinutes ?? 0)) {
                foreach ($stage->ways as $way) {
                    $before[] = [$stage, $way];
                }
            }
        }

        return $before;
    }
}
