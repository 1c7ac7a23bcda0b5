<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

final readonly class PostureFinding
{
    public function __construct(public string $sign, public Side $side, public int $grade)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('sign'), Side::from($f->string('side')), $f->int('grade'));
    }
}
