<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;
use Somatrace\Core\Response\Quietness;

/** Treated until quiet and the complaint unchanged: it was not the source. Quiet and better: nothing left to do there. */
final readonly class FromResponse implements Collector
{
    public function __construct(private Quietness $quietness)
    {
    }

    public function collect(RankingContext $context, SignBook $book): void
    {
        foreach ($this->quietness->treated($context->case) as $treated) {
            if ($treated->quiet && $treated->visits >= 2) {
                $book->add($treated->at, $treated->complaintEased
                    ? $context->sign('response', 'quiet_improved', static fn (): string => 'Worked until quiet, and the complaint eased: nothing left to do there')
                    : $context->sign('response', 'quiet_unchanged', static fn (): string => 'Worked until quiet, and the complaint stayed: it was not the source'));
            } elseif ($treated->complaintEased && $treated->visits >= 2) {
                $book->add($treated->at, $context->sign('response', 'eased_with_it', static fn (): string => 'The complaint eased while it was worked'));
            }
        }
    }
}
