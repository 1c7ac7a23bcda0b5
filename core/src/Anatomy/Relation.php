<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** Where a movement or sign lies as seen from a muscle: turning away is `opposite`. */
enum Relation: string
{
    case Same = 'same';
    case Opposite = 'opposite';
    case Midline = 'midline';

    public function opposite(): self
    {
        return match ($this) {
            self::Same => self::Opposite, self::Opposite => self::Same, self::Midline => self::Midline
        };
    }
}
