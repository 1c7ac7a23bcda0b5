<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Safety\Intake;

/** It is felt so in one of these zones, there or spreading there. */
final readonly class Feels implements Condition
{
    /**
     * @param  list<string>  $qualities
     * @param  string  $set  a set of zones
     */
    public function __construct(private array $qualities, private string $set)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($intake->case->findings->complaints as $complaint) {
            $felt = array_intersect($complaint->qualities, $this->qualities) !== [];
            foreach ($felt ? [$complaint->place(), ...$complaint->spreadsTo] : [] as $place) {
                if ($intake->isIn($place, $this->set, $side)) {
                    return Answer::Yes;
                }
            }
        }

        return Answer::No;
    }
}
