<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** What a therapist made on a pressure plate when they aimed at a feeling with a tool: 0–10, newtons. */
final readonly class CalibrationPair
{
    public function __construct(public string $tool, public float $aimed, public float $forceN)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('tool'), $f->float('aimed'), $f->float('force_n'));
    }
}
