<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** Swelling was measured over so many days, does not go down, and nobody has answered that a doctor explained it. */
final readonly class SwellingStays implements Condition
{
    public function __construct(private int $days, private string $deniedBy)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return ! $intake->deniedWithin($this->deniedBy, $this->days) && $intake->tissue->swellingStays($intake->case, $this->days)
            ? Answer::Yes
            : Answer::No;
    }
}
