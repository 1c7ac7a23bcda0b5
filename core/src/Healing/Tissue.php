<?php

declare(strict_types=1);

namespace Somatrace\Core\Healing;

use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\CaseFile\SwellingTrend;

/** How far a hurt place has come, read from its signs. What nobody looked for is null. */
final readonly class Tissue
{
    /**
     * @param  Stage|null  $stage  what the signs say by themselves; they never say "late": quiet signs prove nothing about the days
     * @param  SwellingTrend|null  $swelling  the more careful of what was said and what was measured
     * @param  int|null  $swollenDays  since when there has been swelling without a gap, as far as it is known
     * @param  list<string>  $signs  in words, as they are read out: "warm to the hand"
     */
    public function __construct(
        public ?Stage $stage = null,
        public ?SwellingTrend $swelling = null,
        public ?int $swollenDays = null,
        public array $signs = [],
    ) {
    }

    /** @return string empty when no sign was seen */
    public function words(): string
    {
        $trend = match ($this->swelling) {
            SwellingTrend::Rising => 'swelling rising',
            SwellingTrend::Same => 'swelling the same',
            SwellingTrend::Falling => 'swelling going down',
            default => null,
        };

        return implode(', ', array_filter([...$this->signs, $trend]));
    }
}
