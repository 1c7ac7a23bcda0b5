<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;

/**
 * Which check not yet done would tell most. A check touches few candidates: after each outcome only those are
 * reweighed and the untouched rest is scaled as a block, so a sweep over all checks stays cheap.
 */
final readonly class CheckFinder
{
    private const PALPATE_DOWN_TO = 24;

    public function __construct(private Scene $scene)
    {
    }

    /**
     * @param  list<Candidate>  $candidates  strongest first
     * @return list<NextCheck>
     */
    public function find(array $candidates, float $none): array
    {
        $support = [];
        foreach ($candidates as $candidate) {
            $support[$candidate->at->key()] = $candidate->support;
        }
        $sum = array_sum(array_map(self::wLogW(...), $support)) + self::wLogW($none);
        $checks = [];
        foreach ($this->open($candidates) as [$kind, $id, $side, $name, $touched]) {
            $outcomes = $this->scene->figures->outcomes[$kind];
            [$bits, $gain] = $this->worth($support, $sum, $touched, $outcomes['acts'], $outcomes['not']);
            if ($bits > 1e-6) {
                $checks[] = new NextCheck($kind, $id, $side, $name, $bits, $gain, $outcomes['minutes'], $this->because($candidates, $touched));
            }
        }
        usort($checks, static fn (NextCheck $a, NextCheck $b): int => [round($b->worth(), 9), $a->kind, $a->id, $a->side->value] <=> [round($a->worth(), 9), $b->kind, $b->id, $b->side->value]);

        return array_slice($checks, 0, $this->scene->figures->nextChecks);
    }

    /**
     * @param  list<Candidate>  $candidates
     * @return list<array{string, string, Side, string, array<string, true>}> kind, id, side, name, the candidates it touches
     */
    private function open(array $candidates): array
    {
        $open = [];
        foreach (array_slice($candidates, 0, self::PALPATE_DOWN_TO) as $candidate) {
            if (! isset($this->scene->palpation[$candidate->at->key()])) {
                $open[] = ['palpate', $candidate->at->muscle, $candidate->at->side, 'Feel '.lcfirst($candidate->name), [$candidate->at->key() => true]];
            }
        }
        $measured = [];
        foreach ($this->scene->case->findings->range as $finding) {
            $measured[$finding->key()] = true;
        }
        $resisted = [];
        foreach ($this->scene->case->findings->resisted as $finding) {
            $resisted[$finding->movement.':'.$finding->side->value] = true;
        }
        foreach ([['range', $this->scene->index->lengthens, $measured, 'Measure: '], ['resisted', $this->scene->index->moves, $resisted, 'Against resistance: ']] as [$kind, $index, $done, $verb]) {
            foreach ($index as $key => $touching) {
                if (isset($done[$key])) {
                    continue;
                }
                [$movement, $side] = explode(':', $key);
                $name = $verb.lcfirst($this->scene->atlas->movement($movement)->name).($side === 'midline' ? '' : ", $side");
                $open[] = [$kind, $movement, Side::from($side), $name, array_fill_keys(array_map(static fn (MuscleAt|array $touch): string => ($touch instanceof MuscleAt ? $touch : $touch[0])->key(), $touching), true)];
            }
        }

        return $open;
    }

    /**
     * @param  array<string, float>  $support  strongest first
     * @param  array<string, true>  $touched
     * @param  list<float>  $acts
     * @param  list<float>  $not
     * @return array{float, float} bits, and the gain in the share of the first three
     */
    private function worth(array $support, float $sum, array $touched, array $acts, array $not): array
    {
        $touchedShare = 0.0;
        $touchedSum = 0.0;
        foreach ($touched as $key => $_) {
            $touchedShare += $support[$key] ?? 0;
            $touchedSum += self::wLogW($support[$key] ?? 0);
        }
        $restShare = max(0, 1 - $touchedShare);
        $before = -$sum;
        $firstThree = array_sum(array_slice($support, 0, 3));
        [$after, $three] = [0.0, 0.0];
        foreach ($acts as $outcome => $ifActs) {
            $ifNot = $not[$outcome];
            $weight = $touchedShare * $ifActs + $restShare * $ifNot;
            if ($weight <= 0) {
                continue;
            }
            // Σ w·log w of the scaled parts: scaling by f adds f·Σw·log f
            $scaled = $ifActs * $touchedSum + $touchedShare * self::wLogW($ifActs) + $ifNot * ($sum - $touchedSum) + $restShare * self::wLogW($ifNot);
            $after += $weight * (log($weight) - $scaled / $weight);
            $three += $this->firstThree($support, $touched, $ifActs, $ifNot);
        }

        return [($before - $after) / M_LN2, max(0, $three - $firstThree)];
    }

    /**
     * The untouched keep their order, so its first three are enough beside the touched.
     *
     * @param  array<string, float>  $support  strongest first
     * @param  array<string, true>  $touched
     */
    private function firstThree(array $support, array $touched, float $ifActs, float $ifNot): float
    {
        $weights = [];
        foreach ($touched as $key => $_) {
            $weights[] = ($support[$key] ?? 0) * $ifActs;
        }
        $rest = 3;
        foreach ($support as $key => $share) {
            if (! isset($touched[$key])) {
                $weights[] = $share * $ifNot;
                if (--$rest === 0) {
                    break;
                }
            }
        }
        rsort($weights);

        return array_sum(array_slice($weights, 0, 3));
    }

    /**
     * @param  list<Candidate>  $candidates
     * @param  array<string, true>  $touched
     */
    private function because(array $candidates, array $touched): string
    {
        [$in, $out] = [null, null];
        foreach ($candidates as $candidate) {
            if (isset($touched[$candidate->at->key()])) {
                $in ??= $candidate;
            } else {
                $out ??= $candidate;
            }
            if ($in !== null && $out !== null) {
                break;
            }
        }

        return match (true) {
            $in === null => '',
            $out === null => 'Tells about '.lcfirst($in->name).'.',
            default => 'Tells '.lcfirst($in->name).' from '.lcfirst($out->name).'.',
        };
    }

    private static function wLogW(float $w): float
    {
        return $w > 0 ? $w * log($w) : 0.0;
    }
}
