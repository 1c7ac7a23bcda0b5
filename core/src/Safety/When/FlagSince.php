<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\Safety\Intake;

/** A flag is up and has been so for at most so many days; without a day it counts as fresh. */
final readonly class FlagSince implements Condition
{
    public function __construct(private string $flag, private int $days)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $since = $intake->case->health->redFlagSince[$this->flag] ?? null;

        return $intake->flag($this->flag) === Answer::Yes && ($since === null || Dates::days($since, $intake->case->asOf) <= $this->days)
            ? Answer::Yes
            : Answer::No;
    }
}
