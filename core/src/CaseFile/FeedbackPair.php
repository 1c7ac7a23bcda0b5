<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** One calibration pair: tissue pressure applied, and how strong it felt. */
final readonly class FeedbackPair
{
    public function __construct(public float $kpa, public float $felt, public ?string $zone = null, public ?Side $side = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->float('kpa'), $f->float('felt'), $f->stringOrNull('zone'), Side::tryFrom($f->stringOrNull('side') ?? ''));
    }
}
