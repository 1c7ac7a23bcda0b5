<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A condition that was said to be there and is not late or settled without a sign left, or that nobody has denied. */
final readonly class Unsettled implements Condition
{
    public function __construct(private string $condition)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->isSettled($this->condition) ? Answer::No : Answer::Yes;
    }
}
