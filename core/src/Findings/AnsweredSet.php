<?php

declare(strict_types=1);

namespace Somatrace\Core\Findings;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\TestSet;
use Somatrace\Core\CaseFile\TestFinding;

/** How tests that speak only together were answered on one side. */
final readonly class AnsweredSet
{
    private function __construct(public TestSet $set, public int $done, public int $positive)
    {
    }

    /** @param  list<TestFinding>  $found */
    public static function of(TestSet $set, array $found, Side $side): self
    {
        $results = [];
        foreach ($found as $one) {
            if ($one->side === $side && in_array($one->test, $set->tests, true)) {
                $results[] = $one->result;
            }
        }
        $positive = count(array_keys($results, 'positive', true));

        return new self($set, $positive + count(array_keys($results, 'negative', true)), $positive);
    }

    /** Enough of them are positive to speak for their joint. */
    public function speaks(): bool
    {
        return $this->positive >= $this->set->least;
    }
}
