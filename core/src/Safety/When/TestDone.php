<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Safety\Intake;

/** A test was done today on every side it has, negative, for so long; shorter counts as not done. */
final readonly class TestDone implements Condition
{
    public function __construct(private string $test, private bool $paired, private ?float $seconds)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        $sides = $this->paired ? Side::pair() : [null];
        foreach ($sides as $one) {
            $clean = array_filter($intake->case->findings->tests, fn (TestFinding $finding): bool => $finding->test === $this->test
                && ($one === null || $finding->side === $one) && $finding->result !== null && $finding->result !== 'not_done'
                && ($this->seconds === null || ($finding->result === 'negative' && ($finding->seconds ?? 0) >= $this->seconds)));
            if ($clean === []) {
                return Answer::No;
            }
        }

        return Answer::Yes;
    }
}
