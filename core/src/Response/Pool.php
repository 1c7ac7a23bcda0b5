<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\Atlas;

/**
 * Pools credits over visits by target, technique and pressure. An estimate is the mean of what was seen, shrunk toward nothing (normal
 * prior about no change): few readings say little, and say so by how wide they are.
 */
final readonly class Pool
{
    /** A reading strays by the part of a real change that chance explains: a real change is 1.96 of it. */
    private const NOISE = 1 / 1.96;

    /** Four of five times what is true lies so many standard errors around. */
    private const SPREAD = 1.2816;

    public function __construct(private Atlas $atlas, private ResponseFigures $figures)
    {
    }

    /**
     * @param  list<Credit>  $credits
     * @return list<Helped> by kind, what helps most first
     */
    public function of(array $credits): array
    {
        $groups = ['target' => [], 'technique' => [], 'pressure' => []];
        foreach ($credits as $credit) {
            $groups['target'][$credit->done->at()->key()][] = $credit;
            if ($credit->done->technique !== null) {
                $groups['technique'][$credit->done->technique][] = $credit;
            }
            $groups['pressure'][$this->figures->pressureBand($credit->done->maxPressure)][] = $credit;
        }
        $helped = [];
        foreach ($groups as $by => $of) {
            foreach ($of as $id => $seen) {
                $helped[] = $this->shrunk($by, (string) $id, $seen);
            }
        }
        usort($helped, static fn (Helped $a, Helped $b): int => [$a->by, -$a->change, $a->id] <=> [$b->by, -$b->change, $b->id]);

        return $helped;
    }

    /**
     * @param  'target'|'technique'|'pressure'  $by
     * @param  non-empty-list<Credit>  $credits
     */
    private function shrunk(string $by, string $id, array $credits): Helped
    {
        $noise = self::NOISE ** 2 + $this->figures->visitSpread ** 2;
        $weight = $sum = 0.0;
        foreach ($credits as $credit) {
            // of several worked between two readings each has its part in the change, and in what it tells
            $weight += 1 / $credit->among;
            $sum += $credit->change / $credit->among;
        }
        $precision = $weight / $noise + 1 / $this->figures->priorSpread ** 2;
        $mean = $sum / $noise / $precision;
        $spread = self::SPREAD / sqrt($precision);

        return new Helped(
            $by, $id, match ($by) {
                'target' => $this->atlas->nameOf($credits[0]->done->at()),
                'technique' => $this->atlas->technique($id)->name,
                'pressure' => "pressure $id",
            }, $mean, $mean - $spread, $mean + $spread,
            count(array_unique(array_map(static fn (Credit $one): string => $one->date->format('c').$one->measure, $credits))),
            count(array_unique(array_map(static fn (Credit $one): string => $one->date->format('c'), $credits))),
            min(array_map(static fn (Credit $one): int => $one->among, $credits)) > 1,
        );
    }
}
