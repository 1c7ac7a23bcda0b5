<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Training\PlateHold;

/**
 * A stand-in for a pressure plate and the hands on it: they rise to what they mean, and sway. Whose hands they are is seeded: the same
 * person leans the same way with the same tool. All figures are practice defaults.
 */
final readonly class SimulatedPlate
{
    private const EVERY_MS = 100;

    private const RISE_MS = 1_200;

    /** How far from what is meant people are with a tool, from hold to hold, and how far they sway and tremble, as shares. */
    private const BIAS = 0.16;

    private const STRAY = 0.04;

    private const SWAY = [0.03, 0.09];

    private const TREMBLE = 0.012;

    /** How much of the last sway is still there at the next reading. */
    private const SLOW = 0.94;

    /**
     * @param  string  $tool  what they press with
     * @param  float  $meantN  what stands for the feeling aimed at
     * @param  int  $seed  of whoever presses
     * @param  int  $repeat  from 1
     * @return non-empty-list<DeviceReading> ten seconds of force in newtons; the last is where it ended
     */
    public function readings(string $tool, float $meantN, int $seed, int $repeat): array
    {
        $hands = new Chance(crc32("$seed|plate|$tool"));
        $bias = exp($hands->normal(self::BIAS));
        $sways = $hands->between(...self::SWAY);
        $hold = new Chance(crc32("$seed|plate|$tool|$meantN|$repeat"));
        $aim = max(0, $meantN * $bias * (1 + $hold->normal(self::STRAY)));
        $sway = 0.0;
        $readings = [];
        $value = 0.0;
        for ($at = 0; $at < PlateHold::LASTS; $at += self::EVERY_MS) {
            $sway = self::SLOW * $sway + $hold->normal($sways * sqrt(1 - self::SLOW ** 2));
            $risen = min(1, $at / self::RISE_MS);
            $value = round(max(0, $aim * $risen * (1 + $sway + $hold->normal(self::TREMBLE))), 1);
            $readings[] = new DeviceReading('plate', 'force', $value, 'N', 'live', $at);
        }

        return [...$readings, new DeviceReading('plate', 'force', $value, 'N', 'hold', PlateHold::LASTS)];
    }
}
