<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/** A value that a schema should have refused earlier reached typed code. */
final class UnexpectedShape extends \LogicException implements CoreException
{
    public static function at(string $pointer, string $expected, mixed $found): self
    {
        return new self(sprintf('%s: expected %s, found %s', $pointer === '' ? '#' : $pointer, $expected, get_debug_type($found)));
    }
}
