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
        'complaint_core_referral' => 'This muscle is typically felt where it hurts',
        'complaint_own_zone' => 'This muscle lies where it hurts',
        'complaint_spill_over' => 'This muscle is sometimes felt where it hurts',
        'complaint_neighbour' => 'Next to where it hurts',
        'complaint_far' => 'Away from where it hurts',
    ];

    private const OF_JOINTS = [
        'complaint_own_zone' => 'This joint lies where it hurts', 'complaint_spill_over' => 'This joint can be felt where it hurts',
    ];

    /** A muscle need not explain every pain: only who is near none of them lies in another part of the body. */
    public function collect(RankingContext $context, SignBook $book): void
    {
        $near = [];
        $worst = max([0.0, ...array_map(static fn (Complaint $one): float => $one->strength() ?? 0.0, $context->complaints)]);
        foreach ($context->complaints as $complaint) {
            $place = $complaint->place();
            $share = self::share($context, $complaint, $worst);
            $relations = $context->index->relations($place);
            $made = [];
            foreach ($relations as $key => $relation) {
                $book->add(
                    $context->index->candidates[$key],
                    $made[$relation] ??= $context->sign(
                        'complaint', $relation, fn (): string => self::WORDS[$relation].': '.$context->atlas->placeName($place),
                        $place->key(), in_array($relation, AtlasIndex::FELT, true) ? $share : 1.0,
                    ),
                );
            }
            $near += $relations + $this->joints($context, $book, $complaint, $share);
            $this->spread($context, $book, $complaint);
        }
        if ($near !== []) {
            $book->addToAllBut(
                $near,
                $context->sign(
                    'complaint', 'complaint_remote', static fn (): string => 'Nothing that hurts is near it, or where it is felt',
                ),
            );
        }
    }

    /** What hurts less says less of what the trouble comes from; where nobody asked how strongly, it says as much as any. */
    private static function share(RankingContext $context, Complaint $complaint, float $worst): float
    {
        $strength = $complaint->strength();

        return $strength === null || $worst <= 0 ? 1.0 : max($context->figures->lesserComplaint, $strength / $worst);
    }

    /** @return array<string, string> the joints it is near, by key */
    private function joints(RankingContext $context, SignBook $book, Complaint $complaint, float $share): array
    {
        $place = $complaint->place();
        $relations = $context->index->joints->relations($place);
        $made = [];
        foreach ($relations as $key => $relation) {
            $made[$relation] ??= $context->sign(
                'complaint', $relation,
                static fn (): string => (self::OF_JOINTS[$relation] ?? self::WORDS[$relation]).': '.$context->atlas->placeName($place),
                $place->key(), in_array($relation, AtlasIndex::FELT, true) ? $share : 1.0,
            );
            $book->add($context->index->joints->all[$key], $made[$relation]);
        }

        return $relations;
    }

    private function spread(RankingContext $context, SignBook $book, Complaint $complaint): void
    {
        foreach ($complaint->spreadsTo as $place) {
            $sign = $context->sign(
                'complaint', 'complaint_spread', fn (): string => 'Felt where it spreads to: '.$context->atlas->placeName($place),
                $place->key(),
            );
            foreach ($context->index->relations($place) as $key => $relation) {
                if (in_array($relation, AtlasIndex::FELT, true)) {
                    $book->add($context->index->candidates[$key], $sign);
                }
            }
        }
    }
}
