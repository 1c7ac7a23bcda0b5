<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

enum Stage: string
{
    case Acute = 'acute';
    case Subacute = 'subacute';
    case Late = 'late';
    case Settled = 'settled';

    /** What heals and is freshest; null where nothing does. */
    public static function freshest(?self ...$stages): ?self
    {
        foreach ([self::Acute, self::Subacute, self::Late] as $stage) {
            if (in_array($stage, $stages, true)) {
                return $stage;
            }
        }

        return null;
    }

    /** Column of a row that is graded by time: the earlier, the stricter. */
    public function column(): int
    {
        return match ($this) {
            self::Acute => 2,
            self::Subacute => 1,
            self::Late, self::Settled => 0,
        };
    }
}
