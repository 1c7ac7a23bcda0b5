<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A question put to a case; unknown is an answer. */
interface Condition
{
    /** @param  Side|null  $side  the side of the body it is asked of; null where it is asked of the whole */
    public function holds(Intake $intake, ?Side $side = null): Answer;
}
