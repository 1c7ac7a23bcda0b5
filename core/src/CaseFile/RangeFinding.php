<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** A measured movement, in the movement's unit; `repeats` are readings of the active value. */
final readonly class RangeFinding
{
    /**
     * @param  list<Place>  $feltIn
     * @param  list<float>  $repeats
     */
    public function __construct(
        public string $movement,
        public Side $side,
        public ?float $active = null,
        public ?float $passive = null,
        public ?float $pain = null,
        public ?string $endFeel = null,
        public array $feltIn = [],
        public array $repeats = [],
        public bool $simulated = false,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('movement'), Side::from($f->string('side')), $f->floatOrNull('active'), $f->floatOrNull('passive'),
            $f->floatOrNull('pain'),
            $f->stringOrNull('end_feel'), $f->map('felt_in', Place::from(...)), $f->floats('repeats'), $f->bool('simulated'),
        );
    }

    /** The value that tells of length: passive where it was taken, else active. */
    public function value(): ?float
    {
        return $this->passive ?? $this->active;
    }

    public function key(): string
    {
        return $this->movement.':'.$this->side->value;
    }
}
