<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class FlagIsUp implements Condition
{
    public function __construct(private string $flag)
    {
    }

    public function holds(Intake $intake): Answer
    {
        return $intake->flag($this->flag);
    }
}
