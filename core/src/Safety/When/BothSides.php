<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** It holds on the left and on the right. */
final readonly class BothSides implements Condition
{
    public function __construct(private Condition $part)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $this->part->holds($intake, Side::Left)->and($this->part->holds($intake, Side::Right));
    }
}
