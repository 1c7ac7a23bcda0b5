<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class AllOf implements Condition
{
    /** @param  list<Condition>  $parts */
    public function __construct(private array $parts)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        return array_reduce(
            $this->parts, static fn (Answer $all, Condition $part): Answer => $all->and($part->holds($intake, $side)), Answer::Yes,
        );
    }
}
