<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/** Where it hurts, held against where a muscle lies and where it is known to be felt. */
final readonly class FromComplaint implements Collector
{
    private const WORDS = [
        'complaint_core_referral' => 'this muscle is typically felt there',
        'complaint_own_zone' => 'this muscle lies there',
        'complaint_spill_over' => 'this muscle is sometimes felt there',
        'complaint_neighbour' => 'next to this muscle',
        'complaint_far' => 'away from this muscle and from where it is felt',
    ];

    /** A muscle need not explain every pain: only who is near none of them lies in another part of the body. */
    public function collect(RankingContext $context, SignBook $book): void
    {
        $near = [];
        foreach ($context->complaints as $complaint) {
            $place = $complaint->place();
            $relations = $context->index->relations($place);
            $made = [];
            foreach ($relations as $key => $relation) {
                $book->add($context->index->candidates[$key], $made[$relation] ??= $context->sign('complaint', $relation, fn (): string => ucfirst($context->atlas->placeName($place)).' hurts: '.self::WORDS[$relation], $place->key()));
            }
            $near += $relations;
            $this->spread($context, $book, $complaint);
        }
        if ($near !== []) {
            $book->addToAllBut($near, $context->sign('complaint', 'complaint_remote', static fn (): string => 'Nothing that hurts is near this muscle or where it is felt'));
        }
    }

    private function spread(RankingContext $context, SignBook $book, Complaint $complaint): void
    {
        foreach ($complaint->spreadsTo as $place) {
            $sign = $context->sign('complaint', 'complaint_spread', fn (): string => 'It spreads to the '.$context->atlas->placeName($place).', where this muscle is felt', $place->key());
            foreach ($context->index->relations($place) as $key => $relation) {
                if (in_array($relation, AtlasIndex::FELT, true)) {
                    $book->add($context->index->candidates[$key], $sign);
                }
            }
        }
    }
}
