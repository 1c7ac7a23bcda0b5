<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

/** Ends of a movement that are a joint's and no muscle's, and never pushed: hard, empty, blocked. */
final readonly class HardEnd
{
    public static function is(?string $end): bool
    {
        return in_array($end, ['hard', 'empty', 'springy'], true);
    }
}
