<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\Clinic;

/**
 * Stand-ins for an algometer, an inclinometer and a dynamometer held to a simulated client: a reading rises, stays a moment and is held.
 * Seeded, so that the same client reads the same; repeats stray as a hand strays. All figures are practice defaults.
 */
final readonly class SimulatedDevices
{
    /** What each device measures, in which unit, how fast it rises a second, and how far repeats stray as a share of the value. */
    private const DEVICES = [
        'inclinometer' => ['quantity' => 'angle', 'unit' => 'deg', 'rise' => 90.0, 'stray' => 0.0],
        'algometer' => ['quantity' => 'pressure', 'unit' => 'kPa', 'rise' => 240.0, 'stray' => 0.06],
        'dynamometer' => ['quantity' => 'force', 'unit' => 'kg', 'rise' => 40.0, 'stray' => 0.05],
    ];

    private const EVERY_MS = 60;

    private const REST_MS = 360;

    private const GRIP_KG = 34.0;

    public function __construct(private Atlas $atlas, private SimulatedClients $clients)
    {
    }

    public static function of(Clinic $clinic): self
    {
        return new self($clinic->atlas(), new SimulatedClients($clinic->atlas(), $clinic->regionOfZone()));
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::DEVICES);
    }

    /**
     * @param  string  $what  movement, muscle or test the device is held to
     * @param  int  $seed  of the client
     * @param  int  $repeat  from 1
     * @param  float|null  $about  what was measured there before, in the unit of the device: the stand-in stays near it
     * @return non-empty-list<DeviceReading> the last one is the hold
     *
     * @throws UnknownId when there is no such device
     */
    public function readings(string $device, string $what, Side $side, int $seed, int $repeat, ?float $about = null): array
    {
        $make = self::DEVICES[$device] ?? throw UnknownId::in('device', $device);
        $chance = new Chance(crc32("$seed|$device|$what|{$side->value}|$repeat"));
        $true = $about ?? $this->truth($device, $what, $side, $seed);
        $stray = $device === 'inclinometer' ? $this->error($what) / 3 : $make['stray'] * $true;
        $end = round(max(0, $true + $chance->normal($stray)), 1);
        $readings = [];
        $rises = (int) ceil(1000 * $end / $make['rise'] / self::EVERY_MS) * self::EVERY_MS;
        for ($at = 0; $at < $rises; $at += self::EVERY_MS) {
            $readings[] = new DeviceReading($device, $make['quantity'], round($end * $at / $rises, 1), $make['unit'], 'live', $at);
        }
        for ($at = $rises; $at < $rises + self::REST_MS; $at += self::EVERY_MS) {
            $readings[] = new DeviceReading(
                $device, $make['quantity'], round(max(0, $end + $chance->normal(0.2)), 1), $make['unit'], 'live', $at,
            );
        }

        return [...$readings, new DeviceReading($device, $make['quantity'], $end, $make['unit'], 'hold', $rises + self::REST_MS)];
    }

    private function truth(string $device, string $what, Side $side, int $seed): float
    {
        $client = $this->clients->one($seed, 'neck');

        return match ($device) {
            'algometer' => $this->threshold($client, $what, $side),
            'dynamometer' => self::GRIP_KG * ($client->resist('wrist.extension', $side)->pain > 0 ? 0.55 : 1),
            default => abs($client->move($what, $side)->active ?? 0),
        };
    }

    /** A tender muscle answers sooner: each grade takes an eighth of its usual threshold away. */
    private function threshold(SimulatedClient $client, string $muscle, Side $side): float
    {
        $tender = $client->feel(new MuscleAt($muscle, $side))->tenderness ?? 0;

        return $this->atlas->muscle($muscle)->pptKpa * (1.1 - 0.125 * $tender);
    }

    private function error(string $movement): float
    {
        return isset($this->atlas->movements[$movement]) ? $this->atlas->movement($movement)->measurementError : 5.0;
    }
}
