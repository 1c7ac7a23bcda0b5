<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/** One thing wrong with a document: where (a JSON pointer, `#` for the whole) and what, with what is allowed. */
final readonly class Fault
{
    public function __construct(public string $pointer, public string $message)
    {
    }

    public function line(): string
    {
        return $this->pointer.': '.$this->message;
    }
}
