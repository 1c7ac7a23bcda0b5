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

    /** The name of a movement, test or sign with its side after it; what lies in the middle has none. */
    public function after(string $name): string
    {
        return $this === self::Midline ? $name : "$name {$this->value}";
    }

    /** The same with a comma between. */
    public function named(string $name): string
    {
        return $this === self::Midline ? $name : "$name, {$this->value}";
    }

    /** The name of something within a sentence; what lies in the middle has no side. */
    public function on(string $name): string
    {
        return $this === self::Midline ? $name : "$name on the {$this->value}";
    }

    /** Lying with this side up. */
    public function upward(): string
    {
        return $this === self::Left ? 'side_right' : 'side_left';
    }

    /**
     * @param  list<string>  $positions
     * @return list<string> with `side_up` put into words for this side
     */
    public function positions(array $positions): array
    {
        return array_map(fn (string $position): string => $position === 'side_up' ? $this->upward() : $position, $positions);
    }

    /** @return array{self, self} */
    public static function pair(): array
    {
        return [self::Left, self::Right];
    }
}
