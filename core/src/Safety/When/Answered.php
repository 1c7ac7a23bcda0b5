<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A condition was answered so. */
final readonly class Answered implements Condition
{
    public function __construct(private string $condition, private Answer $answer)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->standsAs($this->condition) === $this->answer ? Answer::Yes : Answer::No;
    }
}
