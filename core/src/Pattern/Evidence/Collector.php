<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/** One kind of evidence: reads a case and writes what it says of each candidate. */
interface Collector
{
    public function collect(RankingContext $context, SignBook $book): void;
}
