<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

/** One line of what a measuring device sends (docs/device-protocol.md). */
final readonly class DeviceReading
{
    /**
     * @param  'live'|'hold'  $state  a hold is the reading to keep
     * @param  int  $at  milliseconds since the reading began
     */
    public function __construct(
        public string $device,
        public string $quantity,
        public float $value,
        public string $unit,
        public string $state,
        public int $at,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'device' => $this->device, 'quantity' => $this->quantity, 'value' => $this->value, 'unit' => $this->unit,
            'state' => $this->state, 'at' => $this->at,
        ];
    }
}
