<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Pattern\Index;
use Somatrace\Core\Pattern\Scene;
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
        'complaint_remote' => 'in another part of the body',
    ];

    public function collect(Scene $scene, SignBook $book): void
    {
        foreach ($scene->complaints as $complaint) {
            $place = $complaint->place();
            $sign = fn (string $relation) => $scene->sign('complaint', $relation, fn (): string => ucfirst($scene->atlas->placeName($place)).' hurts: '.self::WORDS[$relation], $place->key());
            $relations = $scene->index->relations($place);
            $made = [];
            foreach ($relations as $key => $relation) {
                $book->add($scene->index->candidates[$key], $made[$relation] ??= $sign($relation));
            }
            $book->addToAllBut($relations, $sign('complaint_remote'));
            $this->spread($scene, $book, $complaint);
        }
    }

    private function spread(Scene $scene, SignBook $book, Complaint $complaint): void
    {
        foreach ($complaint->spreadsTo as $place) {
            $sign = $scene->sign('complaint', 'complaint_spread', fn (): string => 'It spreads to the '.$scene->atlas->placeName($place).', where this muscle is felt', $place->key());
            foreach ($scene->index->relations($place) as $key => $relation) {
                if (in_array($relation, Index::FELT, true)) {
                    $book->add($scene->index->candidates[$key], $sign);
                }
            }
        }
    }
}
