<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** A written decision of a licensed person to treat all the same, within every limit. */
final readonly class Override
{
    public function __construct(
        public string $verdict,
        public bool $byLicensed,
        public string $reason,
        public \DateTimeImmutable $on,
        public ?float $pressureCap = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('verdict'), $f->bool('by_licensed'), $f->string('reason'), Dates::of($f->string('on')),
            $f->floatOrNull('pressure_cap'),
        );
    }
}
