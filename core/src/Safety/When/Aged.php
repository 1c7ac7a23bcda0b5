<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** So many years, or more. */
final readonly class Aged implements Condition
{
    public function __construct(private int $years)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->case->client->age >= $this->years ? Answer::Yes : Answer::No;
    }
}
