<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/** The signs of one candidate beside each other: what they add up to at once, each one's part only when somebody reads it. */
final class Weighed
{
    /** @var list<Evidence>|null */
    private ?array $evidence = null;

    /**
     * @param  float  $sum  log-odds, discounted and capped
     * @param  list<Sign>  $signs
     */
    public function __construct(private readonly Weighing $weighing, public readonly float $sum, private readonly array $signs)
    {
    }

    public function isEmpty(): bool
    {
        return $this->signs === [];
    }

    /** @return list<Evidence> in a fixed order: kind, for before against, then strength, then code */
    public function evidence(): array
    {
        return $this->evidence ??= $this->weighing->evidence($this->signs);
    }
}
