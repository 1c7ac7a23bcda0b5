<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Safety\Intake;

/** A test of today answered so; `into` where it must have been felt in one of these zones, `segments` by the first letter of its level. */
final readonly class TestSays implements Condition
{
    /** @param  list<string>  $results */
    public function __construct(private string $test, private array $results, private ?string $into, private ?string $segments)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($intake->case->findings->tests as $finding) {
            $level = $this->segments === null || $finding->segment === null || str_contains($this->segments, $finding->segment[0]);
            if (
                $finding->test === $this->test
                    && in_array($finding->result, $this->results, true)
                    && $level
                    && $this->isThere($finding, $intake, $side)
            ) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }

    private function isThere(TestFinding $finding, Intake $intake, ?Side $side): bool
    {
        if ($this->into === null) {
            return $side === null || $finding->side === Side::Midline || $finding->side === $side;
        }

        return array_filter($finding->refersTo, fn (Place $place): bool => $intake->isIn($place, (string) $this->into, $side)) !== [];
    }
}
