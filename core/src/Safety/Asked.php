<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Data\Fields;

/** A question that is answered with yes or no, and what is asked after a yes, at the visit. */
final readonly class Asked
{
    private function __construct(public string $first, public ?string $more)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->string('ask'), $row->stringOrNull('more'));
    }

    public function whole(): string
    {
        return $this->more === null ? $this->first : "$this->first $this->more";
    }
}
