<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Units\TissuePressure;

/**
 * From what a client feels to pressure in the tissue. Below the pressure-pain threshold the relation is close to linear
 * through zero, and the threshold feels like about 7.5. Calibrated from pairs, else a measured threshold, else the muscle's default.
 */
final readonly class PressureScale
{
    private function __construct(public float $kPaPerPoint, public string $from)
    {
    }

    public static function of(MuscleAt $at, CaseFile $case, Atlas $atlas, float $thresholdFelt): self
    {
        return self::fromPairs($at, $case, $atlas) ?? self::fromThreshold($at, $case, $thresholdFelt)
            ?? new self($atlas->muscle($at->muscle)->pptKpa / $thresholdFelt, 'default');
    }

    public function tissue(float $felt): TissuePressure
    {
        return TissuePressure::ofKPa(min(2000, $felt * $this->kPaPerPoint));
    }

    private static function fromPairs(MuscleAt $at, CaseFile $case, Atlas $atlas): ?self
    {
        $groups = array_map(static fn (string $zone): string => $atlas->zone($zone)->group, $atlas->muscle($at->muscle)->zones);
        [$products, $squares] = [0.0, 0.0];
        foreach ($case->findings->feedback as $pair) {
            $elsewhere = $pair->zone !== null && ! in_array($atlas->zone($pair->zone)->group, $groups, true);
            if ($elsewhere || ($pair->side !== null && $pair->side !== $at->side) || $pair->felt <= 0) {
                continue;
            }
            $products += $pair->kpa * $pair->felt;
            $squares += $pair->felt ** 2;
        }

        return $squares > 0 ? new self($products / $squares, 'pairs') : null;
    }

    private static function fromThreshold(MuscleAt $at, CaseFile $case, float $thresholdFelt): ?self
    {
        foreach ($case->findings->palpation as $finding) {
            if ($finding->pptKpa !== null && $finding->muscle === $at->muscle && $finding->side === $at->side) {
                return new self($finding->pptKpa / $thresholdFelt, 'threshold');
            }
        }

        return null;
    }
}
