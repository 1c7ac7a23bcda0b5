<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A pain in these zones that no movement examined today changes. */
final readonly class Unmoved implements Condition
{
    public function __construct(private string $set)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->reproduction->unmoved($intake->case, fn (Place $place): bool => $intake->isIn($place, $this->set, $side))
            ? Answer::Yes
            : Answer::No;
    }
}
