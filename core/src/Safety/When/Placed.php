<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** Where a medicine is given was named. */
final readonly class Placed implements Condition, Detail
{
    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return ($intake->inHand->medicine->places ?? []) === [] ? Answer::No : Answer::Yes;
    }

    public function details(): array
    {
        return ['placed'];
    }

    public function words(): string
    {
        return 'with the place named';
    }
}
