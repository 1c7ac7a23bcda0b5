<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

/** How much pain a movement or a resistance brought on, of 10. */
final readonly class PainBrought
{
    /** From here on it counts as painful (practice default). */
    private const HURTS = 2.0;

    public static function counts(?float $pain): bool
    {
        return $pain !== null && $pain >= self::HURTS;
    }

    /** As it is told after what brought it on. */
    public static function words(float $pain): string
    {
        return match (true) {
            self::counts($pain) => 'hurts',
            $pain > 0 => 'hardly hurts',
            default => 'is painless',
        };
    }
}
