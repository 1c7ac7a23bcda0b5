<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class ConditionWithin implements Condition
{
    public function __construct(private string $condition, private int $days)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->conditionWithin($this->condition, $this->days);
    }
}
