<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One touch on the way to a muscle: a landmark, if it is one, and what the finger does there. */
final readonly class FindStep
{
    private function __construct(public ?string $landmark, public string $do)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->stringOrNull('landmark'), $row->string('do'));
    }
}
