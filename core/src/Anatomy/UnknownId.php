<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\CoreException;

final class UnknownId extends \InvalidArgumentException implements CoreException
{
    public static function in(string $kind, string $id): self
    {
        return new self("\"$id\" is no $kind of the atlas");
    }
}
