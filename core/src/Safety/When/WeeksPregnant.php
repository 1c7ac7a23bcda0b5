<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** So many weeks at most, or over so many; weeks nobody told are over every number. */
final readonly class WeeksPregnant implements Condition, Detail
{
    public function __construct(private int $weeks, private bool $over)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $told = $intake->inHand?->condition?->weeksPregnant;

        return $this->over === ($told === null || $told > $this->weeks) ? Answer::Yes : Answer::No;
    }

    public function details(): array
    {
        return [$this->over ? 'weeks_over' : 'weeks_at_most'];
    }

    public function words(): string
    {
        return ($this->over ? 'weeks over' : 'weeks at most')." {$this->weeks}";
    }
}
