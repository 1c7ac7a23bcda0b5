<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** What a doctor said of treating somebody with a condition. */
final readonly class Leave
{
    public function __construct(public bool $given, public \DateTimeImmutable $on, public ?string $by = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->bool('given'), Dates::of($f->string('on')), $f->stringOrNull('by'));
    }
}
