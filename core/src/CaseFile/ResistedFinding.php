<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

final readonly class ResistedFinding
{
    /** @param  list<Place>  $feltIn */
    public function __construct(
        public string $movement,
        public Side $side,
        public ?int $strength = null,
        public ?float $pain = null,
        public array $feltIn = [],
        public ?float $forceN = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('movement'), Side::from($f->string('side')), $f->intOrNull('strength'), $f->floatOrNull('pain'),
            $f->map('felt_in', Place::from(...)), $f->floatOrNull('force_n'),
        );
    }
}
