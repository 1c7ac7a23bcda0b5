<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Handwork\Work;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Role;

/** Something worth treating today, a muscle or a joint: what it is worth, and every way it could be done. */
final readonly class Target
{
    /**
     * @param  Role  $role  a joint counts as a source
     * @param  list<string>  $zones
     * @param  int  $layer  what lies deeper comes later; a joint lies deepest
     * @param  array<string, Option>  $options  by position family
     * @param  bool  $soothes  the muscle chosen to soothe a place that hurts: people want the sore place touched
     * @param  bool  $isMeant  found today: it is worked wherever there is time for it
     * @param  float  $doneMinutes  already spent on it today
     * @param  int|null  $lead  the whole pattern says: 0 before everything, 1 after that; null where source and site decide
     */
    private function __construct(
        public string $key,
        public string $name,
        public Side $side,
        public Role $role,
        public ?Work $work,
        public ?Candidate $candidate,
        public ?JointAt $joint,
        public array $zones,
        public int $layer,
        public float $weight,
        public float $tau,
        public string $region,
        public array $options,
        public bool $locked,
        public bool $soothes,
        public bool $isMeant,
        public float $doneMinutes,
        private ?int $lead = null,
    ) {
    }

    /** @param  array<string, Option>  $options */
    public static function muscle(
        Work $work, Candidate $candidate, float $weight, float $tau, string $region, array $options, bool $locked, float $doneMinutes,
    ): self {
        return new self(
            $work->at->key(), $candidate->name, $work->at->side, $candidate->role, $work, $candidate, null, $work->muscle->zones,
            $work->muscle->layer, $weight, $tau, $region, $options, $locked, false, false, $doneMinutes,
        );
    }

    private const DEEPEST = 9;

    /** @param  array<string, Option>  $options */
    public static function joint(JointAt $joint, float $weight, float $tau, array $options, bool $locked, float $doneMinutes): self
    {
        return new self(
            $joint->key(), $joint->name(), $joint->side, Role::Source, null, null, $joint, $joint->joint->zones, self::DEEPEST, $weight,
            $tau,
            $joint->joint->region, $options, $locked, false, false, $doneMinutes,
        );
    }

    /** What so many minutes are worth: much at first, less and less later. */
    public function benefit(float $minutes): float
    {
        return $this->weight * (exp(-$this->doneMinutes / $this->tau) - exp(-($this->doneMinutes + $minutes) / $this->tau));
    }

    public function led(int $lead): self
    {
        return new self(
            $this->key, $this->name, $this->side, $this->role, $this->work, $this->candidate, $this->joint, $this->zones, $this->layer,
            $this->weight, $this->tau, $this->region, $this->options, $this->locked, $this->soothes, $this->isMeant, $this->doneMinutes,
            $lead,
        );
    }

    public function soothing(): self
    {
        return new self(
            $this->key, $this->name, $this->side, $this->role, $this->work, $this->candidate, $this->joint, $this->zones, $this->layer,
            $this->weight, $this->tau, $this->region, $this->options, $this->locked, true, $this->isMeant, $this->doneMinutes,
            $this->lead,
        );
    }

    public function meant(): self
    {
        return new self(
            $this->key, $this->name, $this->side, $this->role, $this->work, $this->candidate, $this->joint, $this->zones, $this->layer,
            $this->weight, $this->tau, $this->region, $this->options, $this->locked, $this->soothes, true, $this->doneMinutes,
            $this->lead,
        );
    }

    /** Smaller than that size only; null where nothing smaller is left of it. */
    public function without(string $size): ?self
    {
        $options = [];
        foreach ($this->options as $family => $option) {
            $less = $option->below($size);
            if ($less !== null) {
                $options[$family] = $less;
            }
        }

        return $options === [] ? null : new self(
            $this->key, $this->name, $this->side, $this->role, $this->work, $this->candidate, $this->joint, $this->zones, $this->layer,
            $this->weight, $this->tau, $this->region, $options, $this->locked, $this->soothes, $this->isMeant, $this->doneMinutes,
            $this->lead,
        );
    }

    /** It belongs in the plan whatever it is worth, where time and limits let it. */
    public function isWanted(): bool
    {
        return $this->locked || $this->soothes || $this->isMeant;
    }

    /** Felt today and something there, or a joint that was found stiff; what was worked already is not asked for again. */
    public function isFound(): bool
    {
        return $this->doneMinutes <= 0 && ($this->joint !== null || ($this->work?->felt->isFound() ?? false));
    }

    /** Nothing that follows comes in an earlier position. */
    public function leads(bool $sourceFirst): bool
    {
        return $this->lead === null ? ($sourceFirst ? $this->isSource() : $this->isSite()) : $this->lead === 0;
    }

    public function follows(bool $sourceFirst): bool
    {
        return $this->lead === null ? ($sourceFirst ? $this->isSite() : $this->isSource()) : $this->lead > 0;
    }

    /** Its place in a position: what the whole pattern puts first, then source or site as the school says, a joint after what moves it. */
    public function rank(bool $sourceFirst): int
    {
        return 10 * ($this->lead ?? 0) + match (true) {
            $this->lead === 0 => -1,
            $this->joint !== null => 3,
            $this->isSource() => $sourceFirst ? 0 : 2,
            $this->isSite() => $sourceFirst ? 2 : 0,
            default => 1,
        };
    }

    /** The whole pattern puts it first. */
    public function isFront(): bool
    {
        return $this->lead === 0;
    }

    public function isSource(): bool
    {
        return $this->role === Role::Source;
    }

    /** A place that hurts rather than one that causes. */
    public function isSite(): bool
    {
        return in_array($this->role, [Role::Site, Role::Overstretched], true);
    }

    public function isTendon(): bool
    {
        return $this->work->muscle->isStructure ?? false;
    }

    public function isDelicate(): bool
    {
        return $this->work?->muscle->tissue === Tissue::Delicate;
    }

    /** What it would be called on the other side. */
    public function mirroredKey(): string
    {
        return $this->work?->at->mirrored()->key()
            ?? ($this->joint === null ? '' : (new JointAt($this->joint->joint, $this->joint->level, $this->side->mirrored()))->key());
    }
}
