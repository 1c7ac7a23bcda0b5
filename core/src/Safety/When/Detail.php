<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

/** Looks at what was told of the one answer in hand, and can say so to a reader of the rules. */
interface Detail
{
    /** @return list<string> the details it turns on, by the names of the rules: they are worth asking */
    public function details(): array;

    public function words(): string;
}
