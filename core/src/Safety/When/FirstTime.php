<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** No earlier visit knew of this pain. */
final readonly class FirstTime implements Condition
{
    public function __construct()
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->case->history === [] ? Answer::Yes : Answer::No;
    }
}
