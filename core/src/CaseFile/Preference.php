<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** How a therapist likes to work a muscle, where nothing else was set by hand and it is allowed. */
final readonly class Preference
{
    public function __construct(public string $muscle, public ?string $technique = null, public ?string $tool = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('muscle'), $f->stringOrNull('technique'), $f->stringOrNull('tool'));
    }
}
