<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\FeedbackPair;

/**
 * The scales of a case: of each muscle, and of what lies under a broad hand. Calibrated from pairs, else a measured threshold, else the
 * muscle's default; the threshold feels like about 7.5.
 */
final class PressureScales
{
    private const NEAR_THE_SKIN = 2;

    /** @var array<string, PressureScale> by muscle and side */
    private array $known = [];

    /** @var array<string, list<Muscle>> */
    private array $byZone = [];

    /** @var array<string, PressureScale> by places */
    private array $softest = [];

    /** @var array<string, float> measured thresholds in kPa, by muscle and side; where there are several the first */
    private readonly array $measured;

    /** @var list<array{FeedbackPair, string|null}> what was felt at which pressure, with the group of the place where it was */
    private readonly array $pairs;

    public function __construct(private readonly Atlas $atlas, CaseFile $case, private readonly float $thresholdFelt)
    {
        $measured = $pairs = [];
        foreach ($case->findings->palpation as $finding) {
            if ($finding->pptKpa !== null) {
                $measured[$finding->at()->key()] ??= $finding->pptKpa;
            }
        }
        foreach ($case->findings->feedback as $pair) {
            if ($pair->felt > 0) {
                $pairs[] = [$pair, $pair->zone === null ? null : $atlas->zone($pair->zone)->group];
            }
        }
        $this->measured = $measured;
        $this->pairs = $pairs;
    }

    public function of(MuscleAt $at): PressureScale
    {
        return $this->known[$at->key()] ??= $this->made($at);
    }

    private function made(MuscleAt $at): PressureScale
    {
        $threshold = $this->measured[$at->key()] ?? null;

        return $this->fromPairs($at) ?? ($threshold === null
            ? new PressureScale($this->atlas->muscle($at->muscle)->pptKpa / $this->thresholdFelt, 'default')
            : new PressureScale($threshold / $this->thresholdFelt, 'threshold'));
    }

    private function fromPairs(MuscleAt $at): ?PressureScale
    {
        if ($this->pairs === []) {
            return null;
        }
        $groups = array_map(fn (string $zone): string => $this->atlas->zone($zone)->group, $this->atlas->muscle($at->muscle)->zones);
        [$products, $squares] = [0.0, 0.0];
        foreach ($this->pairs as [$pair, $group]) {
            if (($group === null || in_array($group, $groups, true)) && ($pair->side === null || $pair->side === $at->side)) {
                $products += $pair->kpa * $pair->felt;
                $squares += $pair->felt ** 2;
            }
        }

        return $squares > 0 ? new PressureScale($products / $squares, 'pairs') : null;
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
