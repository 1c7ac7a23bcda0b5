<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** A movement or a level that hurts ends so, in one of these zones. */
final readonly class EndFeels implements Condition
{
    /** @param  list<string>  $feels */
    public function __construct(private array $feels, private string $group)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($intake->endsOf($this->group, $side) as [$feel, $pain]) {
            if (in_array($feel, $this->feels, true) && ($pain ?? 0) > 0) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }
}
