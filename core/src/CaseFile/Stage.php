<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

enum Stage: string
{
    case Acute = 'acute';
    case Subacute = 'subacute';
    case Late = 'late';
    case Settled = 'settled';

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
