<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** So many of the parts hold. */
final readonly class AtLeast implements Condition
{
    /** @param  list<Condition>  $parts */
    public function __construct(private int $count, private array $parts)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $answers = array_map(static fn (Condition $part): Answer => $part->holds($intake, $side), $this->parts);
        $yes = count(array_filter($answers, static fn (Answer $answer): bool => $answer === Answer::Yes));
        $open = count(array_filter($answers, static fn (Answer $answer): bool => $answer === Answer::Unknown));

        return match (true) {
            $yes >= $this->count => Answer::Yes,
            $yes + $open >= $this->count => Answer::Unknown,
            default => Answer::No,
        };
    }
}
