<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Role;

/** A muscle worth treating today, what it is worth, and every way it could be done. */
final readonly class Target
{
    /**
     * @param  array<string, Option>  $options  by position family
     * @param  bool  $soothes  the muscle chosen to soothe a place that hurts: people want the sore place touched
     * @param  float  $doneMinutes  already spent on it today
     */
    public function __construct(
        public MuscleAt $at,
        public Muscle $muscle,
        public Candidate $candidate,
        public float $weight,
        public float $tau,
        public string $region,
        public array $options,
        public bool $locked,
        public bool $soothes,
        public float $doneMinutes,
    ) {
    }

    /** What so many minutes are worth: much at first, less and less later. */
    public function benefit(float $minutes): float
    {
        return $this->weight * (exp(-$this->doneMinutes / $this->tau) - exp(-($this->doneMinutes + $minutes) / $this->tau));
    }

    public function soothing(): self
    {
        return new self(
            $this->at, $this->muscle, $this->candidate, $this->weight, $this->tau, $this->region, $this->options, $this->locked, true,
            $this->doneMinutes,
        );
    }

    /** It belongs in the plan whatever it is worth, where time and limits let it. */
    public function isWanted(): bool
    {
        return $this->locked || $this->soothes;
    }

    public function isSource(): bool
    {
        return $this->candidate->role === Role::Source;
    }

    /** A place that hurts rather than one that causes. */
    public function isSite(): bool
    {
        return in_array($this->candidate->role, [Role::Site, Role::Overstretched], true);
    }
}
