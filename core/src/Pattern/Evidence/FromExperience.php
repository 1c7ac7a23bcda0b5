<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/** Of what hurts, what is common is thought of first: a muscle that is seldom the source by itself needs more to speak for it. */
final readonly class FromExperience implements Collector
{
    public function collect(RankingContext $context, SignBook $book): void
    {
        $sign = $context->sign('experience', 'seldom', static fn (): string => 'Seldom the source by itself');
        foreach ($context->complaints === [] ? [] : $context->candidates as $at) {
            if ($context->atlas->muscle($at->muscle)->seldom) {
                $book->add($at, $sign);
            }
        }
    }
}
