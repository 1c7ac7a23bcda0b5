<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** From the least to the most; the upper end of a dose is a limit, the lower one an aim. */
final readonly class Span
{
    public function __construct(public float $least, public float $most)
    {
    }

    public static function from(Fields $row, string $key): self
    {
        return self::orNull($row, $key) ?? throw new \LogicException("{$row->pointer}/$key is no span.");
    }

    public static function orNull(Fields $row, string $key): ?self
    {
        $ends = $row->has($key) ? $row->floats($key) : [];

        return count($ends) === 2 ? new self($ends[0], $ends[1]) : null;
    }

    public function middle(): float
    {
        return ($this->least + $this->most) / 2;
    }

    /** "5 to 10", or "10" where both ends are one. */
    public function words(): string
    {
        return $this->least === $this->most ? "{$this->least}" : "{$this->least} to {$this->most}";
    }
}
