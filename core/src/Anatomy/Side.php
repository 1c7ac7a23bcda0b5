<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** The client's side. Left is always the client's left. */
enum Side: string
{
    case Left = 'left';
    case Right = 'right';
    case Midline = 'midline';

    public function mirrored(): self
    {
        return match ($this) {
            self::Left => self::Right,
            self::Right => self::Left,
            self::Midline => self::Midline,
        };
    }

    /** The side a related thing lies on, seen from this one. */
    public function related(Relation $relation): self
    {
        return match ($relation) {
            Relation::Same => $this,
            Relation::Opposite => $this->mirrored(),
            Relation::Midline => self::Midline,
        };
    }

    /** @return array{self, self} */
    public static function pair(): array
    {
        return [self::Left, self::Right];
    }
}
