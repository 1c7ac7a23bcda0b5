<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/** What one target's work is made of, in order. */
final readonly class Composition
{
    private float $seconds;

    /** @param  non-empty-list<Manoeuvre>  $manoeuvres */
    public function __construct(public Size $size, public array $manoeuvres, private float $overhead)
    {
        $this->seconds = self::secondsOf($manoeuvres, $overhead);
    }

    /** With finding, moving and asking. */
    public function seconds(): float
    {
        return $this->seconds;
    }

    public function minutes(): float
    {
        return $this->seconds() / 60;
    }

    /** Seconds at so strong a felt pressure or more. */
    public function deepSeconds(float $from): float
    {
        $seconds = 0.0;
        foreach ($this->manoeuvres as $one) {
            $seconds += ($one->pressure ?? 0) >= $from ? $one->totalSeconds() : 0.0;
        }

        return $seconds;
    }

    /** @param  list<string>  $techniques */
    public function uses(array $techniques): bool
    {
        foreach ($this->manoeuvres as $one) {
            if (in_array($one->technique, $techniques, true)) {
                return true;
            }
        }

        return false;
    }

    public function strongest(): float
    {
        return max([0.0, ...array_map(static fn (Manoeuvre $one): float => $one->pressure ?? 0.0, $this->manoeuvres)]);
    }

    /** The same under these caps; null where that is less than a touch. */
    public function under(Cap ...$caps): ?self
    {
        $lighter = $this->manoeuvres;
        foreach ($caps as $cap) {
            if ($cap->felt < 1) {
                return null;
            }
            $lighter = array_map(static fn (Manoeuvre $one): Manoeuvre => $one->under($cap), $lighter);
        }

        return new self($this->size, $lighter, $this->overhead);
    }

    /** At most so long, and nothing of one technique; null where nothing is left of it. */
    public function shortened(float $seconds, string $without): ?self
    {
        $shorter = [];
        foreach ($this->manoeuvres as $one) {
            $left = $seconds - self::secondsOf($shorter, $this->overhead);
            while ($this->overhead * $one->totalSeconds() > $left && (count($one->spots) > 1 || $one->repeats > 1)) {
                $one = $one->less();
            }
            if ($one->technique !== $without && $this->overhead * $one->totalSeconds() <= $left) {
                $shorter[] = $one;
            }
        }

        return $shorter === [] ? null : new self($this->size, $shorter, $this->overhead);
    }

    /** @param  list<Manoeuvre>  $manoeuvres */
    public static function secondsOf(array $manoeuvres, float $overhead): float
    {
        $seconds = 0.0;
        foreach ($manoeuvres as $one) {
            $seconds += $one->totalSeconds();
        }

        return $overhead * $seconds;
    }
}
