<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/** Movements that lengthen a muscle: short of the other side or of the usual, and whether they hurt. */
final readonly class FromRange implements Collector
{
    /** Measuring errors by which what is done alone stays behind (practice default). */
    private const FALLS_BEHIND = 2.0;

    public function collect(RankingContext $context, SignBook $book): void
    {
        $byKey = [];
        foreach ($context->case->findings->range as $finding) {
            $byKey[$finding->key()] = $finding;
        }
        foreach ($context->case->findings->range as $finding) {
            $movement = $context->atlas->movement($finding->movement);
            $other = $finding->side === Side::Midline ? null : $byKey[$movement->id.':'.$finding->side->mirrored()->value] ?? null;
            // where it was moved for them, that tells of length; what they do alone tells of strength too
            $steps = HardEnd::is($finding->endFeel) ? null : StepsShort::of(
                $movement, [$finding->passive === null ? [$finding->active, $other?->active] : [$finding->passive, $other?->passive]],
            );
            $key = $finding->key();
            $name = static fn (): string => $finding->side->after($movement->name);
            $hurts = PainBrought::counts($finding->pain);
            $length = $steps === null
                ? null
                : $context->sign(
                    'shortness', 'short_'.min(3, $steps),
                    static fn (): string => $name().', which lengthens it, is '.($steps === 0 ? 'free' : 'short')
                        .($finding->passive === null ? '' : ', moved passively'), $key,
                );
            $pain = $finding->pain === null || HardEnd::is($finding->endFeel)
                ? null
                : $context->sign(
                    'shortness', $hurts ? 'lengthening_hurts' : 'lengthening_painless',
                    static fn (): string => $name().', which lengthens it, '.PainBrought::words($finding->pain), $key,
                );
            $signs = array_filter([$length, $pain]);
            foreach ($signs === [] ? [] : $context->index->lengthens[$key] ?? [] as $at) {
                foreach ($signs as $sign) {
                    $book->add($at, $sign);
                }
            }
            if ($finding->active !== null && $finding->passive !== null) {
                $behind = $movement->shortfall($finding->active, $finding->passive) / ($movement->measurementError ?: 1.0);
                foreach ($behind >= self::FALLS_BEHIND ? $context->index->moves[$key] ?? [] : [] as [$at, $prime]) {
                    $book->add($at, $context->sign(
                        'use', 'use_weak', static fn (): string => $name().', done alone, stays behind what it can be moved', "behind:$key",
                        $prime ? 1.0 : 0.5,
                    ));
                }
            }
            if ($finding->active !== null && $hurts) {
                foreach ($context->index->moves[$key] ?? [] as [$at, $prime]) {
                    $book->add(
                        $at,
                        $context->sign(
                            'use', 'use_hurts', static fn (): string => $name().', which uses it, hurts', "active:$key",
                            $prime ? 0.5 : 0.25,
                        ),
                    );
                }
            }
        }
    }
}
