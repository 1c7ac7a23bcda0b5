<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class FlagIsUp implements Condition, Detail
{
    public function __construct(private string $flag)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return $intake->flag($this->flag);
    }

    public function details(): array
    {
        return [];
    }

    public function words(): string
    {
        return str_replace('_', ' ', $this->flag);
    }
}
