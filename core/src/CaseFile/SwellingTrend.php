<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

enum SwellingTrend: string
{
    case Rising = 'rising';
    case Same = 'same';
    case Falling = 'falling';
    case Gone = 'gone';

    /** The more careful of two; null says nothing. */
    public static function stricter(?self $a, ?self $b): ?self
    {
        $order = [...self::cases(), null];

        return array_search($a, $order, true) <= array_search($b, $order, true) ? $a : $b;
    }
}
