<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety\When;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\Safety\Intake;

/** A movement against resistance reaches so many of five at most; `by` instead: so many grades less than at the last visit. */
final readonly class Weak implements Condition
{
    /** @param  list<string>  $movements */
    public function __construct(private array $movements, private ?int $atMost, private ?int $by)
    {
    }

    public function holds(Intake $intake, ?Side $side = null): Answer
    {
        foreach ($intake->case->findings->resisted as $finding) {
            $asked = in_array($finding->movement, $this->movements, true)
                && ($side === null || $finding->side === $side)
                && $finding->strength !== null;
            if (
                $asked
                    && (
                        $finding->strength <= ($this->atMost ?? -1)
                            || $this->isWeaker($finding->strength, $this->before($finding, $intake))
                    )
            ) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }

    private function isWeaker(int $now, ?int $before): bool
    {
        return $this->by !== null && $before !== null && $before - $now >= $this->by;
    }

    /** The strength of it at the last visit it was tried at; null where it never was. */
    private function before(ResistedFinding $now, Intake $intake): ?int
    {
        foreach (array_reverse($intake->case->history) as $visit) {
            foreach ($visit->findings->resisted as $finding) {
                if ($finding->movement === $now->movement && $finding->side === $now->side && $finding->strength !== null) {
                    return $finding->strength;
                }
            }
        }

        return null;
    }
}
