<?php

declare(strict_types=1);

namespace Somatrace\Core\Units;

use Somatrace\Core\Data\CoreException;

final class InvalidMeasure extends \DomainException implements CoreException
{
    public static function outOfRange(string $what, float $value, string $unit, float $least, float $most): self
    {
        return new self(sprintf('%s of %s %s: allowed are %s to %s', $what, $value, $unit, $least, $most));
    }
}
