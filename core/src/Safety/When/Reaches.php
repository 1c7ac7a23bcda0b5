<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\Safety\Intake;
use Somatrace\Core\Safety\UnknownRulePart;

/** A blood pressure, or the days it has lasted, reach so much; what nobody told reaches nothing. */
final readonly class Reaches implements Condition, Detail
{
    public function __construct(private string $detail, private int $least)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $answer = $intake->inHand?->condition;
        $told = match ($this->detail) {
            'systolic_at_least' => $answer?->systolic,
            'diastolic_at_least' => $answer?->diastolic,
            'days_at_least' => $answer?->since === null
                ? $intake->inHand?->tissue?->swollenDays
                : Dates::days($answer->since, $intake->case->asOf),
            default => throw UnknownRulePart::named($this->detail),
        };

        return $told !== null && $told >= $this->least ? Answer::Yes : Answer::No;
    }

    public function details(): array
    {
        return [$this->detail];
    }

    public function words(): string
    {
        return str_replace('_', ' ', $this->detail)." {$this->least}";
    }
}
