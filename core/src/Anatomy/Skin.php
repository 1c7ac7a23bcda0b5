<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** What the skin has to be for a manoeuvre. */
enum Skin: string
{
    case Dry = 'dry';
    case Cloth = 'cloth';
    case LittleOil = 'little_oil';
    case Oil = 'oil';
    case Glove = 'glove';
    case Bare = 'bare';

    /** Nothing oily may have been there before, or it is wiped off first. */
    public function asksForDry(): bool
    {
        return in_array($this, [self::Dry, self::Bare, self::Glove], true);
    }

    /** What it leaves behind. */
    public function isOily(): bool
    {
        return in_array($this, [self::LittleOil, self::Oil], true);
    }
}
