<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A medicine taken for so many weeks or more; a duration nobody knows counts as long. */
final readonly class TakenFor implements Condition, Detail
{
    public function __construct(private int $weeks)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $told = $intake->inHand?->medicine?->weeksAt($intake->case->asOf);

        return $told === null || $told >= $this->weeks ? Answer::Yes : Answer::No;
    }

    public function details(): array
    {
        return ['weeks_at_least'];
    }

    public function words(): string
    {
        return "for {$this->weeks} weeks or more, or nobody knows how long";
    }
}
