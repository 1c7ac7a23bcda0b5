<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Routine;
use Somatrace\Core\Anatomy\RoutineStage;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Way;

/** What routines do around the work on their targets. */
final readonly class RoutineStages
{
    private const BEFORE = 'prepare';

    private const BETWEEN = 'rest';

    public function __construct(private Atlas $atlas, private School $school)
    {
    }

    /** Whether a routine is done in that position and as the school chose. */
    public function isToday(Routine $routine, Side $side, string $position): bool
    {
        foreach ($routine->school as $question => $choices) {
            if (! in_array($this->school->chose($question), $choices, true)) {
                return false;
            }
        }

        return $routine->position === null
            || in_array($this->atlas->position($position)->family, $side->positions([$routine->position]), true);
    }

    /**
     * What a routine does between instead of a broad stroke.
     *
     * @param  list<string>  $zones  over which it would go
     */
    public function between(array $zones): ?Way
    {
        foreach ($this->atlas->handwork()->routines as $routine) {
            foreach ($routine->stages as $stage) {
                if ($stage->when === self::BETWEEN && array_intersect($stage->zones, $zones) !== []) {
                    return $stage->ways[0];
                }
            }
        }

        return null;
    }

    /** Where a muscle stands in the order of the routines that are done there; after them where it is in none. */
    public function rank(MuscleAt $at, string $position): int
    {
        foreach ($this->atlas->handwork()->stagesOf($at->muscle) as [$routine, , $rank]) {
            if ($this->isToday($routine, $at->side, $position)) {
                return $rank;
            }
        }

        return $this->atlas->handwork()->stageCount + 1;
    }

    /** @return list<string> neighbours that belong to the work on a muscle */
    public function askedBy(string $muscle): array
    {
        $asked = self::asks(array_column($this->atlas->handwork()->stagesOf($muscle), 1));

        return array_values(array_diff($asked, [$muscle]));
    }

    /** @return list<string> muscles that belong to the work on a kind of joint */
    public function askedByJoint(string $joint): array
    {
        return self::asks($this->atlas->handwork()->stagesOfJoint($joint));
    }

    /**
     * @param  list<RoutineStage>  $stages
     * @return list<string>
     */
    private static function asks(array $stages): array
    {
        return array_values(array_unique(array_merge(...array_map(static fn (RoutineStage $one): array => $one->asks, $stages))));
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
