<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A question put to a case; unknown is an answer. */
interface Condition
{
    public function holds(Intake $intake): Answer;
}
