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
        $caps = [$first, ...array_values($others)];
        usort($caps, static fn (Cap $a, Cap $b): int => $a->felt <=> $b->felt);

        return new self(max(0.0, $caps[0]->felt), $caps);
    }

    public function and(Cap ...$caps): self
    {
        // of two that are as low the one that was there first is told
        return $caps === [] ? $this : self::lowestOf(...[...$this->caps, ...array_values($caps)]);
    }

    public function because(): string
    {
        return $this->caps[0]->reason;
    }
}
