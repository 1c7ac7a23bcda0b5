<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;
use Somatrace\Core\Response\Quietness;

/**
 * Treated until quiet and the complaint unchanged: it was not the source. Quiet and better: nothing left to do there. Nobody asked twice
 * how it hurts: neither.
 */
final readonly class FromResponse implements Collector
{
    public function __construct(private Quietness $quietness)
    {
    }

    public function collect(RankingContext $context, SignBook $book): void
    {
        foreach ($this->quietness->treated($context->case) as $treated) {
            [$weight, $text] = match (true) {
                $treated->visits < 2, $treated->complaintEased === null => [null, ''],
                $treated->quiet && $treated->complaintEased
                    => ['quiet_improved', 'Worked until quiet, and the complaint eased: nothing left to do there'],
                $treated->quiet => ['quiet_unchanged', 'Worked until quiet, and the complaint stayed: it was not the source'],
                $treated->complaintEased => ['eased_with_it', 'The complaint eased while it was worked'],
                default => [null, ''],
            };
            if ($weight !== null) {
                $book->add($treated->at, $context->sign('response', $weight, static fn (): string => $text));
            }
        }
    }
}
