<?php

declare(strict_types=1);

namespace Somatrace\Core\Training;

/**
 * Ten seconds on the plate: how strong, how far from what stands for the feeling aimed at, how steadily. The rise to it does not count.
 * All figures are practice defaults.
 */
final readonly class PlateHold
{
    /** How long a hold is, and how long it may take to get there, in milliseconds. */
    public const LASTS = 10_000;

    private const SETTLES = 2_000;

    /** Let go so soon before the end, nothing is kept. */
    private const SHORT = 1_000;

    /** Readings after the rise, fewer of which tell nothing of steadiness. */
    private const LEAST = 10;

    /** So near, and so even, is well done: per cent. */
    private const NEAR = 15.0;

    private const EVEN = 8.0;

    private function __construct(public float $forceN, public float $errorPercent, public float $swayPercent)
    {
    }

    /**
     * @param  list<array{float, float}>  $samples  milliseconds since it began, newtons
     * @param  float  $expectedN  what stands for the feeling aimed at
     * @return self|null null where it was let go of, or hardly touched
     */
    public static function of(array $samples, float $expectedN): ?self
    {
        $held = array_column(array_filter(
            $samples, static fn (array $one): bool => $one[0] >= self::SETTLES && $one[0] <= self::LASTS,
        ), 1);
        $until = $samples === [] ? 0 : max(array_column($samples, 0));
        if ($expectedN <= 0 || $until < self::LASTS - self::SHORT || count($held) < self::LEAST) {
            return null;
        }
        $mean = array_sum($held) / count($held);
        if ($mean < 1) {
            return null;
        }
        $spread = sqrt(array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $held)) / (count($held) - 1));

        return new self($mean, 100 * ($mean / $expectedN - 1), 100 * $spread / $mean);
    }

    public function isNear(): bool
    {
        return abs($this->errorPercent) <= self::NEAR;
    }

    public function isEven(): bool
    {
        return $this->swayPercent <= self::EVEN;
    }

    /** What to do otherwise, in one line. */
    public function words(): string
    {
        $by = round(abs($this->errorPercent));

        return match (true) {
            $this->isNear() && $this->isEven() => 'Near, and even.',
            $this->isNear() => 'Near, but it swayed: joints over each other, weight instead of muscle, breathe on.',
            default => ($this->errorPercent > 0 ? "$by % more than stands for it" : "$by % less than stands for it")
                .($this->isEven() ? ', and even: these hands are so.' : ', and it swayed: lean, do not push, and stay.'),
        };
    }
}
