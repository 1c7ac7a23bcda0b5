<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** What makes a complaint worse or better: a movement on a side, a demand of the days, or a situation such as the night. */
final readonly class Aggravator
{
    public function __construct(
        public ?string $movement = null,
        public ?Side $side = null,
        public ?string $demand = null,
        public ?string $situation = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->stringOrNull('movement'), Side::tryFrom($f->stringOrNull('side') ?? ''), $f->stringOrNull('demand'),
            $f->stringOrNull('situation'),
        );
    }
}
