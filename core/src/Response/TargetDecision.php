<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Measures\MeasureVerdict;

/** What the answer to earlier work means for the next, for one muscle. */
final readonly class TargetDecision
{
    public function __construct(
        public MuscleAt $at,
        public string $name,
        public Decision $decision,
        public int $pressureStep,
        public string $because,
        public int $visits,
        public ?float $doseKpaS,
        public ?float $lastMinutes,
        public Tolerance $tolerance,
        public MeasureVerdict $own,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'muscle' => $this->at->muscle, 'side' => $this->at->side->value, 'name' => $this->name, 'decision' => $this->decision->value,
            'pressure_step' => $this->pressureStep, 'because' => $this->because, 'visits' => $this->visits,
            'last_dose_kpa_s' => $this->doseKpaS, 'tolerance' => $this->tolerance->toArray(), 'own' => $this->own->value,
        ];
    }
}
