<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** One joint on one side, at one level where it has levels. */
final readonly class JointAt
{
    private string $key;

    public function __construct(public Joint $joint, public ?string $level, public Side $side)
    {
        $this->key = (new JointName($joint->id, $level))->key($side);
    }

    public function key(): string
    {
        return $this->key;
    }

    public function name(): string
    {
        $level = $this->level === null ? '' : ' '.str_replace('rib', '', $this->level);

        return $this->side->named(ucfirst($this->joint->name).$level);
    }

    /** @return array{kind: string, level?: string} as the case file writes it */
    public function toArray(): array
    {
        return ['kind' => $this->joint->id, ...$this->level === null ? [] : ['level' => $this->level]];
    }
}
