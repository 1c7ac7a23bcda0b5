<?php

declare(strict_types=1);

namespace Somatrace\Core\Training;

/** How well a card is known and when it is asked again: missed means today, known means ever later. */
final readonly class Memory
{
    /** Days until a card is asked again after it was right once, twice … in a row; practice default. */
    private const DAYS = [1, 3, 7, 16, 35, 80];

    public function __construct(public int $streak, public \DateTimeImmutable $due)
    {
    }

    /** After an answer; nothing is remembered of a card that was never asked. */
    public static function after(?self $before, bool $right, \DateTimeImmutable $today): self
    {
        if (! $right) {
            return new self(0, $today);
        }
        // a card known ahead of its day earns nothing: only what lasted counts
        if ($before !== null && ! $before->isDue($today)) {
            return $before;
        }
        $streak = ($before->streak ?? 0) + 1;

        return new self($streak, $today->modify('+'.self::DAYS[min($streak, count(self::DAYS)) - 1].' days'));
    }

    public function isDue(\DateTimeImmutable $today): bool
    {
        return $this->due <= $today;
    }

    /** Right three times in a row, a week and more apart. */
    public function isKnown(): bool
    {
        return $this->streak >= 3;
    }
}
