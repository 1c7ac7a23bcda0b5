<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class TestIsPositive implements Condition
{
    public function __construct(private string $test)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->testPositive($this->test);
    }
}
