<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** One thing the hands did today. */
final readonly class DoneManoeuvre
{
    public function __construct(
        public string $technique,
        public float $seconds,
        public ?string $spot = null,
        public ?string $tool = null,
        public ?float $pressure = null,
        public ?string $product = null,
        public ?string $answer = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('technique'), $f->float('seconds'), $f->stringOrNull('spot'), $f->stringOrNull('tool'), $f->floatOrNull('pressure'),
            $f->stringOrNull('product'), $f->stringOrNull('answer'),
        );
    }
}
