<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\Scene;
use Somatrace\Core\Pattern\Sign;
use Somatrace\Core\Pattern\SignBook;

/** What the days ask of a muscle, more so on the busy side. */
final readonly class FromDemand implements Collector
{
    public function collect(Scene $scene, SignBook $book): void
    {
        $worse = [];
        foreach ($scene->complaints as $complaint) {
            foreach ($complaint->worseWith as $with) {
                if ($with->demand !== null) {
                    $worse[$with->demand] = true;
                }
            }
        }
        foreach ($scene->case->demands as $demand) {
            $asked = $this->sign($scene, 'demand', 'The days ask for it: ', $demand->demand);
            $busy = $this->sign($scene, 'demand_dominant', 'The busy side: ', $demand->demand);
            foreach ($this->strained($scene, $demand->demand, $demand->side) as $at) {
                $book->add($at, $asked);
                if ($scene->case->client->hand === $at->side->value) {
                    $book->add($at, $busy);
                }
            }
        }
        foreach (array_keys($worse) as $demand) {
            $sign = $this->sign($scene, 'worse_with_demand', 'Worse with ', $demand);
            foreach ($this->strained($scene, $demand, null) as $at) {
                $book->add($at, $sign);
            }
        }
    }

    private function sign(Scene $scene, string $weight, string $words, string $demand): Sign
    {
        return $scene->sign('demand', $weight, static fn (): string => $words.($scene->atlas->demands[$demand] ?? $demand), $demand);
    }

    /** @return list<MuscleAt> */
    private function strained(Scene $scene, string $demand, ?Side $side): array
    {
        $strained = [];
        foreach ($scene->index->strains[$demand] ?? [] as $muscle) {
            foreach ($side === null ? Side::pair() : [$side] as $one) {
                $strained[] = new MuscleAt($muscle, $one);
            }
        }

        return $strained;
    }
}
