<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

final readonly class AllOf implements Condition, Detail
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

    public function details(): array
    {
        return array_merge([], ...array_map(static fn (Detail $part): array => $part->details(), $this->told()));
    }

    public function words(): string
    {
        return implode(', ', array_map(static fn (Detail $part): string => $part->words(), $this->told()));
    }

    /** @return list<Detail> */
    private function told(): array
    {
        return array_values(array_filter($this->parts, static fn (Condition $part): bool => $part instanceof Detail));
    }
}
