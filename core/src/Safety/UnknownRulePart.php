<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Data\CoreException;

final class UnknownRulePart extends \DomainException implements CoreException
{
    public static function named(string $part): self
    {
        return new self("conditions.json: \"$part\" is no known part of a rule");
    }
}
