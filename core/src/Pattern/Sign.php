<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/**
 * One thing that speaks for or against a candidate, before it is set beside others of its kind. Hundreds are weighed and a few are read:
 * its sentence is only put together when somebody reads it.
 */
final readonly class Sign
{
    /** Signs are discounted among those of their kind and direction. */
    public string $group;

    /** How much it says, for or against. */
    public float $strength;

    /**
     * @param  string  $code  names the sign among all of its candidate, so that equal weights have a fixed order
     * @param  string  $name  of the weight in the figures
     * @param  float  $share  of that weight
     * @param  \Closure(): string  $words
     */
    public function __construct(
        public string $kind,
        public string $code,
        public string $name,
        public float $share,
        public float $weight,
        private \Closure $words,
    ) {
        $this->group = $kind.($weight > 0 ? '+' : '-');
        $this->strength = abs($weight);
    }

    public function text(): string
    {
        return ($this->words)();
    }
}
