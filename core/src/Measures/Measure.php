<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

use Somatrace\Core\Anatomy\Side;

/** One thing measured over the visits, with how far a repeat may stray before a change is real. */
final readonly class Measure
{
    /** @param  list<array{string, float}>  $series date and value, oldest first; a visit without the measure has no point */
    public function __construct(
        public string $key,
        public string $name,
        public string $unit,
        public Side $side,
        public array $series,
        public float $mdc,
        public string $mdcFrom,
        public bool $largerIsBetter,
    ) {
    }

    /** From the first reading to the last; null with fewer than two. */
    public function change(): ?float
    {
        return count($this->series) < 2 ? null : $this->series[count($this->series) - 1][1] - $this->series[0][1];
    }

    public function verdict(): MeasureVerdict
    {
        return $this->judge($this->change());
    }

    /** @return list<MeasureVerdict> of every point against the first */
    public function pointVerdicts(): array
    {
        return array_map(fn (array $point): MeasureVerdict => $this->judge($point[1] - $this->series[0][1]), $this->series);
    }

    /**
     * Whether a difference is more than chance would have it.
     *
     * @param  float|null  $error  another than the measure's own
     */
    public function isReal(float $difference, ?float $error = null): bool
    {
        // written with a small allowance: 7.0 − 5.0 must count as 2
        return abs($difference) + 1e-9 >= ($error ?? $this->mdc);
    }

    public function isBetter(float $difference): bool
    {
        return ($difference > 0) === $this->largerIsBetter;
    }

    /** Tenderness or pain that was never there: nothing is told by it. */
    public function isSilent(): bool
    {
        return preg_match('/\.(tenderness|pain)$|^complaint\./', $this->key) === 1
            && array_filter($this->series, static fn (array $point): bool => $point[1] > 0) === [];
    }

    private function judge(?float $change): MeasureVerdict
    {
        return match (true) {
            $change === null => MeasureVerdict::NotEnough,
            ! $this->isReal($change) => MeasureVerdict::NoRealChange,
            $this->isBetter($change) => MeasureVerdict::Improved,
            default => MeasureVerdict::Worse,
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $change = $this->change();

        return [
            'key' => $this->key, 'name' => $this->name, 'unit' => $this->unit, 'side' => $this->side->value, 'series' => $this->series,
            'points' => array_map(static fn (MeasureVerdict $verdict): string => $verdict->value, $this->pointVerdicts()),
            'change' => $change === null ? null : round($change, 3), 'mdc' => round($this->mdc, 3), 'mdc_from' => $this->mdcFrom,
            'better' => $this->largerIsBetter ? 'larger' : 'smaller', 'verdict' => $this->verdict()->value,
        ];
    }
}
