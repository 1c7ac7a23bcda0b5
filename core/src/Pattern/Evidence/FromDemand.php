<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\Sign;
use Somatrace\Core\Pattern\SignBook;

/** What the days ask of a muscle, more so on the busy side. */
final readonly class FromDemand implements Collector
{
    public function collect(RankingContext $context, SignBook $book): void
    {
        $worse = [];
        foreach ($context->complaints as $complaint) {
            foreach ($complaint->worseWith as $with) {
                if ($with->demand !== null) {
                    $worse[$with->demand] = true;
                }
            }
        }
        foreach ($context->case->demands as $demand) {
            $asked = $this->sign($context, 'demand', 'The days ask for it: ', $demand->demand);
            $busy = $this->sign($context, 'demand_dominant', 'The busy side: ', $demand->demand);
            foreach ($this->strained($context, $demand->demand, $demand->side) as $at) {
                $book->add($at, $asked);
                if ($context->case->client->hand === $at->side->value) {
                    $book->add($at, $busy);
                }
            }
        }
        foreach (array_keys($worse) as $demand) {
            $sign = $this->sign($context, 'worse_with_demand', 'Worse with ', $demand);
            foreach ($this->strained($context, $demand, null) as $at) {
                $book->add($at, $sign);
            }
        }
    }

    private function sign(RankingContext $context, string $weight, string $words, string $demand): Sign
    {
        return $context->sign('demand', $weight, static fn (): string => $words.($context->atlas->demands[$demand] ?? $demand), $demand);
    }

    /** @return list<MuscleAt> */
    private function strained(RankingContext $context, string $demand, ?Side $side): array
    {
        $strained = [];
        foreach ($context->index->strains[$demand] ?? [] as $muscle) {
            foreach ($side === null ? Side::pair() : [$side] as $one) {
                $strained[] = new MuscleAt($muscle, $one);
            }
        }

        return $strained;
    }
}
