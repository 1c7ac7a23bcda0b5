<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\Safety\Intake;

/** It hurts so much, so long or for the first time, in one of these zones. */
final readonly class Pain implements Condition
{
    private const SHOWN = 0.5;

    public function __construct(private ?string $set, private ?float $atLeast, private ?int $days)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($intake->case->findings->complaints as $complaint) {
            $there = $this->set === null || $intake->isIn($complaint->place(), $this->set, $side);
            $old = $this->days === null
                || ($complaint->since !== null && Dates::days($complaint->since, $intake->case->asOf) > $this->days);
            // a place that was shown hurts, how strongly nobody has asked
            if ($there && $old && ($complaint->now ?? self::SHOWN) >= ($this->atLeast ?? 0)) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }
}
