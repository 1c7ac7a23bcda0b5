<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** Turns an answer round; what is not known stays so. */
final readonly class Not implements Condition
{
    public function __construct(private Condition $part)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return match ($this->part->holds($intake, $side)) {
            Answer::Yes => Answer::No,
            Answer::No => Answer::Yes,
            Answer::Unknown => Answer::Unknown,
        };
    }
}
