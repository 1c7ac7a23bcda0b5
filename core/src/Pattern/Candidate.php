<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;

/** One muscle on one side that could explain the picture, with what speaks for and against it. */
final readonly class Candidate
{
    public function __construct(
        public MuscleAt $at,
        public string $name,
        public float $logOdds,
        public float $support,
        public string $word,
        public Role $role,
        public TriggerPoint $triggerPoint,
        public Weighed $weighed,
    ) {
    }

    /** @return list<Evidence> */
    public function evidence(): array
    {
        return $this->weighed->evidence();
    }

    /** What its evidence of these kinds adds up to. */
    public function sum(string ...$kinds): float
    {
        return array_sum(array_map(
            static fn (Evidence $one): float => in_array($one->kind, $kinds, true) ? $one->weight : 0.0, $this->evidence(),
        ));
    }

    public function asNoSource(): self
    {
        $role = $this->role === Role::Source ? Role::Unclear : $this->role;

        return new self($this->at, $this->name, $this->logOdds, $this->support, $this->word, $role, $this->triggerPoint, $this->weighed);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'muscle' => $this->at->muscle,
            'side' => $this->at->side->value,
            'name' => $this->name,
            'log_odds' => round($this->logOdds, 4),
            'support' => round($this->support, 5),
            'words' => $this->word,
            'role' => $this->role->value,
            'trigger_point' => $this->triggerPoint->value,
            'evidence' => array_map(static fn (Evidence $evidence): array => $evidence->toArray(), $this->evidence()),
        ];
    }
}
