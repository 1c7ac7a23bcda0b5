<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Response\NextVisit;
use Somatrace\Core\Safety\SafetyResult;

/** What was made of a visit, for its note. */
final readonly class Judged
{
    /**
     * @param  list<Comparison>  $compared
     * @param  list<Chain>  $chains
     */
    public function __construct(
        public SafetyResult $safety,
        public PatternResult $pattern,
        public array $compared,
        public array $chains,
        public NextVisit $next,
    ) {
    }
}
