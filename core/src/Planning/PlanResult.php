<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

/** A visit planned, or the reason why there is none. */
final readonly class PlanResult
{
    /**
     * @param  list<PlanStep>  $steps
     * @param  list<LeftOut>  $leftOut
     * @param  array<string, float>  $load  minutes at pressure 5 or more, by tool
     * @param  list<array<string, mixed>>  $targets  what was chosen, with its minutes and worth
     * @param  list<array{part: string, name: string, minutes: float, of: float}>  $hands  firm minutes asked of each part, and what it has
     * @param  list<string>  $measured  tools that press, whose forces are those of the therapist's own hands on the plate
     * @param  array{cm: float, lower: bool}|null  $table  how high it stands, where it was told how high it usually does
     */
    private function __construct(
        public bool $planned,
        public string $because,
        public string $headline,
        public array $steps,
        public array $leftOut,
        public float $benefit,
        public int $turns,
        public array $load,
        public array $targets,
        private array $hands = [],
        private ?float $mostLean = null,
        private array $measured = [],
        private ?array $table = null,
    ) {
    }

    public static function none(string $because): self
    {
        return new self(false, $because, $because, [], [], 0, 0, [], []);
    }

    /**
     * @param  list<PlanStep>  $steps
     * @param  list<LeftOut>  $leftOut
     * @param  array<string, float>  $load
     * @param  list<array<string, mixed>>  $targets
     * @param  list<array{part: string, name: string, minutes: float, of: float}>  $hands
     * @param  list<string>  $measured
     * @param  array{cm: float, lower: bool}|null  $table
     */
    public static function of(
        string $because, string $headline, array $steps, array $leftOut, float $benefit, int $turns, array $load, array $targets,
        array $hands, float $mostLean, array $measured, ?array $table,
    ): self {
        return new self(
            true, $because, $headline, $steps, $leftOut, $benefit, $turns, $load, $targets, $hands, $mostLean, $measured, $table,
        );
    }

    public function minutes(): float
    {
        return array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $this->steps));
    }

    /** @return array<string, mixed> the `plan` part of a result */
    public function toArray(): array
    {
        $steps = [];
        foreach ($this->steps as $index => $step) {
            $steps[] = $step->toArray($index);
        }

        return [
            'verdict' => $this->planned ? 'planned' : 'none', 'because' => $this->because, 'headline' => $this->headline,
            'minutes' => round($this->minutes(), 2), 'steps' => $steps,
            'left_out' => array_map(static fn (LeftOut $left): array => $left->toArray(), $this->leftOut),
            'benefit' => round($this->benefit, 5), 'turns' => $this->turns,
            'therapist_load' => $this->load === []
                ? new \stdClass
                : array_map(static fn (float $minutes): float => round($minutes, 2), $this->load),
            'hands' => $this->hands, 'most_lean' => $this->mostLean, 'measured' => $this->measured,
            'table' => $this->table, 'targets' => $this->targets,
        ];
    }
}
