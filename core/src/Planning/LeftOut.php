<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Handwork\Reason;

/** A muscle or joint that could have been worked today, and why it is not. */
final readonly class LeftOut
{
    /**
     * @param  MuscleAt|null  $at  of a muscle
     * @param  array<string, mixed>  $id  muscle or joint, as the case file writes it
     */
    private function __construct(
        public string $key,
        public ?MuscleAt $at,
        private array $id,
        private Side $side,
        public string $name,
        public Reason $reason,
    ) {
    }

    public static function muscle(MuscleAt $at, string $name, Reason $reason): self
    {
        return new self($at->key(), $at, ['muscle' => $at->muscle], $at->side, $name, $reason);
    }

    public static function joint(JointAt $at, Reason $reason): self
    {
        return new self($at->key(), null, ['joint' => $at->toArray()], $at->side, $at->name(), $reason);
    }

    public static function target(Target $target, Reason $reason): self
    {
        return new self($target->key, $target->work?->at, self::idOf($target), $target->side, $target->name, $reason);
    }

    /** @return array<string, mixed> */
    public static function idOf(Target $target): array
    {
        return $target->joint !== null ? ['joint' => $target->joint->toArray()] : ['muscle' => $target->work?->at->muscle];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            ...$this->id, 'side' => $this->side->value, 'name' => $this->name, 'kind' => $this->reason->kind->value,
            'reason' => $this->reason->kind->reason(), 'id' => $this->reason->id, 'because' => $this->reason->words,
            'bring_in' => $this->reason->kind->bringIn(),
        ];
    }
}
