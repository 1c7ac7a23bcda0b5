<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/**
 * Using a muscle against resistance: painful, only weak, or clean, which only an answer about pain can say. An assistant counts half of a
 * prime mover.
 */
final readonly class FromResisted implements Collector
{
    /** Strength of 5 from which down a muscle counts as weak. */
    public const WEAK = 3;

    public function collect(RankingContext $context, SignBook $book): void
    {
        foreach ($context->case->findings->resisted as $finding) {
            $key = $finding->movement.':'.$finding->side->value;
            [$weight, $words] = match (true) {
                PainBrought::counts($finding->pain) => ['use_hurts', 'hurts'],
                $finding->strength !== null && $finding->strength <= self::WEAK
                    => ['use_weak', 'is weak'.($finding->pain === null ? '' : ', hardly painful')],
                $finding->pain === null => [null, ''],
                default => ['use_clean', PainBrought::words($finding->pain)],
            };
            if ($weight === null) {
                continue;
            }
            $text = static fn (): string => $finding->side->after(
                $context->atlas->movement($finding->movement)->name,
            ).", against resistance, $words";
            foreach ($context->index->moves[$key] ?? [] as [$at, $prime]) {
                $book->add($at, $context->sign('use', $weight, $text, $key, $prime ? 1.0 : 0.5));
            }
        }
    }
}
