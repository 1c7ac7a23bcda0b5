<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** The last dose is under so many hours old, and not known to work long. */
final readonly class DoseUnder implements Condition, Detail
{
    public function __construct(private float $hours)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $answer = $intake->inHand?->medicine;
        $soon = $answer?->lastDoseHours !== null && $answer->lastDoseHours < $this->hours && $answer->shortActing !== Answer::No;

        return $soon ? Answer::Yes : Answer::No;
    }

    public function details(): array
    {
        return ['dose_hours_under'];
    }

    public function words(): string
    {
        return "the last dose under {$this->hours} hours ago, unless it works long";
    }
}
