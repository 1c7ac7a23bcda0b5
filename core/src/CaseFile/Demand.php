<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** What the days ask of the body. Without a side it asks both; with no hours a week it is over, and no demand of a case (CaseFile). */
final readonly class Demand
{
    public function __construct(public string $demand, public ?Side $side = null, public ?float $hoursPerWeek = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('demand'), Side::tryFrom($f->stringOrNull('side') ?? ''), $f->floatOrNull('hours_per_week'));
    }
}
