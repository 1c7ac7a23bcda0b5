<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

enum Severity: string
{
    case Mild = 'mild';
    case Moderate = 'moderate';
    case Severe = 'severe';

    /** Column of the graded rules, 0 mild … 2 severe. */
    public function column(): int
    {
        return match ($this) {
            self::Mild => 0,
            self::Moderate => 1,
            self::Severe => 2,
        };
    }
}
