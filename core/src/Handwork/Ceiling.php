<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/** The strongest a pass may feel to the client, 0–10, with every cap that was weighed. */
final readonly class Ceiling
{
    /** @param  non-empty-list<Cap>  $caps lowest first; the first one decided */
    private function __construct(public float $felt, public array $caps)
    {
    }

    public static function lowestOf(Cap $first, Cap ...$others): self // the signature itself rules out "no cap"
    {
        return (new self(max(0.0, $first->felt), [$first]))->and(...$others);
    }

    public function and(Cap ...$caps): self
    {
        $all = $this->caps;
        foreach ($caps as $cap) {
            // of two that are as low the one that was there first is told
            for ($k = count($all); $k > 0 && $all[$k - 1]->felt > $cap->felt; $k--);
            array_splice($all, $k, 0, [$cap]);
        }

        return $caps === [] ? $this : new self(max(0.0, $all[0]->felt), $all);
    }

    /** What it would be but for that cap. */
    public function without(string $id): float
    {
        foreach ($this->caps as $cap) {
            if ($cap->id !== $id) {
                return max(0.0, $cap->felt);
            }
        }

        return $this->felt;
    }

    public function because(): string
    {
        return $this->caps[0]->reason;
    }
}
