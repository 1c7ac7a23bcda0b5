<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

final readonly class Consent
{
    public function __construct(public string $area, public bool $given)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('area'), $f->bool('given'));
    }
}
