<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Tool;

/** One pass over a target: how strong it feels, how long in contact, and what that takes from the therapist. */
final readonly class Pass
{
    private function __construct(
        public float $pressure,
        public float $seconds,
        public ?float $holdSeconds,
        public float $tissueKpa,
        public float $forceN,
        public float $leanPercent,
    ) {
    }

    public static function of(
        float $pressure,
        float $seconds,
        ?float $hold,
        PressureScale $scale,
        Tool $tool,
        float $therapistKg,
    ): self {
        $tissue = $scale->tissue($pressure);
        $force = $tool->force($tissue);

        return new self($pressure, $seconds, $hold, $tissue->kPa, $force->newtons, $force->leanPercent($therapistKg));
    }

    public function times(float $share): self
    {
        return new self(
            $this->pressure, $share * $this->seconds, $this->holdSeconds, $this->tissueKpa, $this->forceN, $this->leanPercent,
        );
    }

    /** @return array<string, float|int|null> */
    public function toArray(): array
    {
        return [
            'pressure' => $this->pressure, 'seconds' => (int) round($this->seconds),
            'hold_seconds' => $this->holdSeconds === null ? null : (int) round($this->holdSeconds),
            'tissue_kpa' => round($this->tissueKpa, 1), 'force_n' => round($this->forceN, 1),
            'lean_percent' => round($this->leanPercent, 1),
        ];
    }
}
