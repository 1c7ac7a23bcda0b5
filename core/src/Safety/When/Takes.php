<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A medicine is taken; `weeks` at least, and without a duration it counts as long. */
final readonly class Takes implements Condition
{
    public function __construct(private string $medicine, private ?int $weeks)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($intake->case->health->medicines as $answer) {
            if (
                $answer->medicine === $this->medicine
                    && $answer->answer === Answer::Yes
                    && ($answer->weeksAt($intake->case->asOf) ?? PHP_INT_MAX) >= ($this->weeks ?? 0)
            ) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }
}
