<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;

/** Collects the signs of every candidate. */
final class SignBook
{
    /** @var array<string, list<Sign>> by muscle and side */
    private array $signs = [];

    /** @var array<string, array<string, true>> the names of the signs of its own, by muscle and side */
    private array $names = [];

    /** @var array<string, array<string, float>> what the signs of its own add up to, undiscounted, by muscle and side, then by kind */
    private array $sums = [];

    /** @var list<array{Sign, array<string, mixed>}> signs of everybody, and who has one of their own instead */
    private array $common = [];

    public function add(MuscleAt|JointAt $candidate, Sign $sign): void
    {
        if ($sign->weight !== 0.0) {
            $key = $candidate->key();
            $this->signs[$key][] = $sign;
            $this->names[$key][$sign->name] = true;
            $this->sums[$key][$sign->kind] = ($this->sums[$key][$sign->kind] ?? 0.0) + $sign->weight;
        }
    }

    /** @param  array<string, mixed>  $except  by muscle and side */
    public function addToAllBut(array $except, Sign $sign): void
    {
        if ($sign->weight !== 0.0) {
            $this->common[] = [$sign, $except];
        }
    }

    /** @return list<Sign> */
    public function of(MuscleAt|JointAt $candidate): array
    {
        $key = $candidate->key();
        $signs = $this->signs[$key] ?? [];
        foreach ($this->common as [$sign, $except]) {
            if (! isset($except[$key])) {
                $signs[] = $sign;
            }
        }

        return $signs;
    }

    /** Whether it has nothing of its own: all such candidates share one list of signs. */
    public function isPlain(MuscleAt|JointAt $candidate): bool
    {
        $key = $candidate->key();
        if (isset($this->signs[$key])) {
            return false;
        }
        foreach ($this->common as [, $except]) {
            if (isset($except[$key])) {
                return false;
            }
        }

        return true;
    }

    /** What the signs of its own of these kinds add up to, undiscounted. */
    public function sum(MuscleAt|JointAt $candidate, string ...$kinds): float
    {
        $sums = $this->sums[$candidate->key()] ?? [];
        $sum = 0.0;
        foreach ($kinds as $kind) {
            $sum += $sums[$kind] ?? 0.0;
        }

        return $sum;
    }

    /** Whether a sign of its own of these kinds speaks for it. */
    public function speaksFor(MuscleAt|JointAt $candidate, string ...$kinds): bool
    {
        foreach ($this->signs[$candidate->key()] ?? [] as $sign) {
            if ($sign->weight > 0 && in_array($sign->kind, $kinds, true)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, true> the names of the signs of its own */
    public function names(MuscleAt|JointAt $candidate): array
    {
        return $this->names[$candidate->key()] ?? [];
    }
}
