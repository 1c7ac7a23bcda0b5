<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** What may happen today, strongest first. */
enum Verdict: string
{
    case Emergency = 'emergency';
    case Refer = 'refer';
    case Defer = 'defer';
    case Modify = 'modify';
    case Proceed = 'proceed';

    /** 0 for proceed … 4 for emergency. */
    public function strength(): int
    {
        return match ($this) {
            self::Emergency => 4,
            self::Refer => 3,
            self::Defer => 2,
            self::Modify => 1,
            self::Proceed => 0,
        };
    }

    public function stronger(self $other): self
    {
        return $other->strength() > $this->strength() ? $other : $this;
    }

    public function allowsTreatment(): bool
    {
        return $this->strength() <= self::Modify->strength();
    }

    /** Of two waits of one verdict the stricter: sent on, the sooner; put off, the longer. Null says nothing. */
    public function strictestDays(?int $a, ?int $b): ?int
    {
        return match (true) {
            $a === null || $b === null => $a ?? $b,
            $this === self::Refer => min($a, $b),
            default => max($a, $b),
        };
    }
}
