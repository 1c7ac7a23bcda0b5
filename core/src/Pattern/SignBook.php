<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;

/** Collects the signs of every candidate. */
final class SignBook
{
    /** @var array<string, list<Sign>> */
    private array $signs = [];

    public function add(MuscleAt $candidate, Sign $sign): void
    {
        if ($sign->weight !== 0.0) {
            $this->signs[$candidate->key()][] = $sign;
        }
    }

    /** @return list<Sign> */
    public function of(MuscleAt $candidate): array
    {
        return $this->signs[$candidate->key()] ?? [];
    }

    public function sum(MuscleAt $candidate, string ...$kinds): float
    {
        return array_sum(array_map(static fn (Sign $sign): float => in_array($sign->kind, $kinds, true) ? $sign->weight : 0.0, $this->of($candidate)));
    }

    public function has(MuscleAt $candidate, string $codePrefix): bool
    {
        foreach ($this->of($candidate) as $sign) {
            if (str_starts_with($sign->code, $codePrefix)) {
                return true;
            }
        }

        return false;
    }
}
