<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/** What a muscle was given, over all the steps that worked it. Built by {@see Fold} alone. */
final class MuscleDose
{
    public float $maxPressure = 0.0;

    /** With pressure. */
    public float $seconds = 0.0;

    /** Felt pressure times seconds. */
    public float $feltSeconds = 0.0;

    /** Pressure in the tissue times seconds. */
    public float $kpaSeconds = 0.0;

    /** By the clock of its steps. */
    public float $clockSeconds = 0.0;

    /** @var array<string, array{seconds: float, felt_s: float, kpa_s: float}> by spot */
    public array $spots = [];

    /** @var list<string> */
    public array $signs = [];

    public ?string $technique = null;

    public ?string $tool = null;

    public function __construct(public readonly string $muscle, public readonly string $side)
    {
    }

    public function add(StepState $step): void
    {
        foreach ($step->contacts as $contact) {
            $this->contact($contact);
        }
        $this->clockSeconds += $step->clockSeconds() ?? 0.0;
        $this->signs = array_values(array_unique([...$this->signs, ...$step->signs]));
        $this->technique = $step->told('technique') ?? $this->technique;
        $this->tool = $step->told('tool') ?? $this->tool;
    }

    private function contact(Contact $contact): void
    {
        if ($contact->pressure <= 0.0) {
            return;
        }
        $this->maxPressure = max($this->maxPressure, $contact->pressure);
        $this->seconds += $contact->seconds;
        $this->feltSeconds += $contact->seconds * $contact->pressure;
        $this->kpaSeconds += $contact->seconds * $contact->tissueKpa;
        $share = $contact->seconds / max(1, count($contact->spots));
        foreach ($contact->spots as $spot) {
            $before = $this->spots[$spot] ?? ['seconds' => 0.0, 'felt_s' => 0.0, 'kpa_s' => 0.0];
            $this->spots[$spot] = [
                'seconds' => $before['seconds'] + $share, 'felt_s' => $before['felt_s'] + $share * $contact->pressure,
                'kpa_s' => $before['kpa_s'] + $share * $contact->tissueKpa,
            ];
        }
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $tenth = Contact::tenth(...);

        return [
            'muscle' => $this->muscle, 'side' => $this->side, 'max_pressure' => $this->maxPressure, 'seconds' => $tenth($this->seconds),
            'felt_s' => $tenth($this->feltSeconds), 'kpa_s' => $tenth($this->kpaSeconds), 'clock_seconds' => $tenth($this->clockSeconds),
            'spots' => array_map(static fn (array $one): array => array_map($tenth, $one), $this->spots), 'signs' => $this->signs,
        ];
    }
}
