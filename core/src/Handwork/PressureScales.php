<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;

/** The scales of a case: of each muscle, and of what lies under a broad hand. */
final class PressureScales
{
    private const NEAR_THE_SKIN = 2;

    /** @var array<string, PressureScale> by muscle and side */
    private array $known = [];

    /** @var array<string, list<Muscle>> */
    private array $byZone = [];

    /** @var array<string, PressureScale> by places */
    private array $softest = [];

    public function __construct(private readonly Atlas $atlas, private readonly CaseFile $case, private readonly float $thresholdFelt)
    {
    }

    public function of(MuscleAt $at): PressureScale
    {
        return $this->known[$at->key()] ??= PressureScale::of($at, $this->case, $this->atlas, $this->thresholdFelt);
    }

    /**
     * A hand that covers several tissues leans by the least robust of them; where no muscle lies under the skin, as on bone, nothing bears
     * less than the softest of all.
     *
     * @param  non-empty-list<Place>  $places
     */
    public function softest(array $places): PressureScale
    {
        $key = implode(' ', array_map(static fn (Place $place): string => $place->key(), $places));

        return $this->softest[$key] ??= $this->under($places, self::NEAR_THE_SKIN) ?? $this->under($places, PHP_INT_MAX)
            ?? $this->least($this->atlas->muscles, $places) ?? throw new \LogicException('a hand without a place');
    }

    /**
     * @param  non-empty-list<Place>  $places
     * @param  int  $deepest  layer that counts
     */
    private function under(array $places, int $deepest): ?PressureScale
    {
        $least = null;
        foreach ($places as $place) {
            $there = array_filter($this->in($place->zone), static fn (Muscle $muscle): bool => $muscle->layer <= $deepest);
            $least = $this->lesser($least, $this->least($there, [$place]));
        }

        return $least;
    }

    /** @return list<Muscle> */
    private function in(string $zone): array
    {
        if ($this->byZone === []) {
            foreach ($this->atlas->muscles as $muscle) {
                foreach ($muscle->zones as $one) {
                    $this->byZone[$one][] = $muscle;
                }
            }
        }

        return $this->byZone[$zone] ?? [];
    }

    /**
     * @param  array<Muscle>  $muscles
     * @param  list<Place>  $places  on whose sides
     */
    private function least(array $muscles, array $places): ?PressureScale
    {
        $least = null;
        foreach ($muscles as $muscle) {
            foreach ($places as $place) {
                foreach ($place->side === Side::Midline ? Side::pair() : [$place->side] as $side) {
                    $least = $this->lesser($least, $this->of(new MuscleAt($muscle->id, $side)));
                }
            }
        }

        return $least;
    }

    private function lesser(?PressureScale $one, ?PressureScale $other): ?PressureScale
    {
        return $one === null || ($other !== null && $other->kPaPerPoint < $one->kPaPerPoint) ? $other : $one;
    }
}
