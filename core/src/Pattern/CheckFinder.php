<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Side;

/**
 * Which check not yet done would tell most. A check touches few candidates: after each outcome only those are
 * reweighed and the untouched rest is scaled as a block, so a sweep over all checks stays cheap.
 */
final readonly class CheckFinder
{
    private const PALPATE_DOWN_TO = 24;

    public function __construct(private RankingContext $context)
    {
    }

    /**
     * @param  list<Candidate>  $candidates  strongest first
     * @return list<NextCheck>
     */
    public function find(array $candidates, float $none): array
    {
        $support = [];
        $sum = self::wLogW($none);
        foreach ($candidates as $candidate) {
            $support[$candidate->at->key()] = $candidate->support;
            $sum += self::wLogW($candidate->support);
        }
        $leaders = [];
        foreach (array_slice($candidates, 0, self::PALPATE_DOWN_TO) as $candidate) {
            $leaders[$candidate->at->key()] = $candidate;
        }
        $known = ['range' => $this->known($leaders, 'shortness'), 'resisted' => $this->known($leaders, 'use'), 'palpate' => []];
        $slopes = array_map(fn (Candidate $leader): float => $this->context->figures->slope($leader->logOdds), $leaders);
        $checks = [];
        foreach ($this->open($leaders) as [$kind, $id, $side, $touched]) {
            $outcomes = $this->context->figures->outcomes[$kind];
            [$bits, $gain] = $this->worth(
                $support, $sum, $touched, $this->dulled($outcomes['acts'], $outcomes['not'], $touched, $known[$kind], $slopes, $support),
                $outcomes['not'],
            );
            if ($bits > 1e-6) {
                $worth = round($this->worthOf($kind, $bits, $gain), 9);
                // told in words only when it is among the first
                $checks[] = [
                    $worth, "$kind:$id:{$side->value}",
                    fn (): NextCheck => new NextCheck(
                        $kind, $id, $side, $this->name($kind, $id, $side), $bits, $gain, $outcomes['minutes'],
                        $this->because($candidates, $touched),
                    ),
                ];
            }
        }
        usort($checks, static fn (array $a, array $b): int => $b[0] <=> $a[0] ?: $a[1] <=> $b[1]);

        return array_map(static fn (array $check): NextCheck => $check[2](), array_slice($checks, 0, $this->context->figures->nextChecks));
    }

    /**
     * Worth a minute: bits, and the chance gained that the right muscle is among the first three; a hand answers directly what a movement
     * hints at.
     */
    private function worthOf(string $kind, float $bits, float $gain): float
    {
        $figures = $this->context->figures;

        return ($bits + $figures->gainWorth * $gain) * (
            $kind === 'palpate' ? $figures->handWorth : 1
        ) / $figures->outcomes[$kind]['minutes'];
    }

    /**
     * A movement that touches none of the leaders tells nothing worth a minute.
     *
     * @param  array<string, Candidate>  $leaders  by muscle and side
     * @return list<array{string, string, Side, array<string, true>}> kind, id, side, the candidates it touches
     */
    private function open(array $leaders): array
    {
        $open = [];
        foreach ($leaders as $key => $candidate) {
            if (! isset($this->context->palpation[$key])) {
                $open[] = ['palpate', $candidate->at->muscle, $candidate->at->side, [$key => true]];
            }
        }
        $measured = [];
        foreach ($this->context->case->findings->range as $finding) {
            $measured[$finding->key()] = true;
        }
        $resisted = [];
        foreach ($this->context->case->findings->resisted as $finding) {
            $resisted[$finding->movement.':'.$finding->side->value] = true;
        }
        foreach (
            [
                ['range', $this->context->index->lengthensKeys, $measured], ['resisted', $this->context->index->movesKeys, $resisted],
            ] as [$kind, $index, $done]
        ) {
            foreach ($index as $key => $touched) {
                if (! isset($done[$key]) && array_intersect_key($touched, $leaders) !== []) {
                    [$movement, $side] = explode(':', $key);
                    $open[] = [$kind, $movement, Side::from($side), $touched];
                }
            }
        }

        return $open;
    }

    /**
     * Signs of that kind the leaders have already.
     *
     * @param  array<string, Candidate>  $leaders
     * @return array<string, int> by muscle and side
     */
    private function known(array $leaders, string $kind): array
    {
        return array_map(
            static fn (Candidate $leader): int => count(array_filter(
                $leader->evidence, static fn (Evidence $one): bool => $one->kind === $kind,
            )),
            $leaders,
        );
    }

    /**
     * A third movement that lengthens the same muscles tells little: the ranking discounts it, so what is expected of it is discounted too;
     * and where the curve of support is flat, an answer moves the shares less.
     *
     * @param  list<float>  $acts
     * @param  list<float>  $not
     * @param  array<string, true>  $touched
     * @param  array<string, int>  $known
     * @param  array<string, float>  $slopes
     * @param  array<string, float>  $support
     * @return list<float>
     */
    private function dulled(array $acts, array $not, array $touched, array $known, array $slopes, array $support): array
    {
        [$signs, $slope, $weight] = [0.0, 0.0, 0.0];
        foreach (array_intersect_key($slopes, $touched) as $key => $own) {
            $signs += $support[$key] * ($known[$key] ?? 0);
            $slope += $support[$key] * $own;
            $weight += $support[$key];
        }
        if ($weight <= 0) {
            return $acts;
        }
        $discount = $this->context->figures->discount;
        $share = $discount[min(count($discount) - 1, (int) round($signs / $weight))] * $slope / $weight;
        $dulled = array_map(static fn (float $a, float $n): float => $a ** $share * $n ** (1 - $share), $acts, $not);
        $total = array_sum($dulled);

        return array_map(static fn (float $one): float => $one / $total, $dulled);
    }

    private function name(string $kind, string $id, Side $side): string
    {
        if ($kind === 'palpate') {
            return 'Feel '.lcfirst($this->context->atlas->muscle($id)->name).", {$side->value}";
        }

        return ($kind === 'range' ? 'Measure: ' : 'Against resistance: ').lcfirst($this->context->atlas->movement($id)->name).(
            $side === Side::Midline ? '' : ", {$side->value}"
        );
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
        $shares = array_values(array_intersect_key($support, $touched));
        $touchedShare = array_sum($shares);
        $touchedSum = 0.0;
        foreach ($shares as $share) {
            $touchedSum += self::wLogW($share);
        }
        // the untouched keep their order, so the first three of them are enough
        $rest = [];
        foreach ($support as $key => $share) {
            if (! isset($touched[$key])) {
                $rest[] = $share;
                if (count($rest) === 3) {
                    break;
                }
            }
        }
        $restShare = max(0, 1 - $touchedShare);
        $firstThree = array_sum(array_slice($support, 0, 3));
        [$after, $three] = [0.0, 0.0];
        foreach ($acts as $outcome => $ifActs) {
            $ifNot = $not[$outcome];
            $weight = $touchedShare * $ifActs + $restShare * $ifNot;
            if ($weight <= 0) {
                continue;
            }
            // Σ w·log w of the scaled parts: scaling by f adds f·Σw·log f
            $scaled = $ifActs * $touchedSum + $touchedShare * self::wLogW($ifActs) + $ifNot * (
                $sum - $touchedSum
            ) + $restShare * self::wLogW($ifNot);
            $after += $weight * (log($weight) - $scaled / $weight);
            $three += self::firstThree($shares, $rest, $ifActs, $ifNot);
        }

        return [(-$sum - $after) / M_LN2, max(0, $three - $firstThree)];
    }

    /**
     * @param  list<float>  $shares  of the touched, strongest first
     * @param  list<float>  $rest  the first three of the others
     */
    private static function firstThree(array $shares, array $rest, float $ifActs, float $ifNot): float
    {
        [$sum, $a, $b] = [0.0, 0, 0];
        for ($n = 0; $n < 3; $n++) {
            $own = ($shares[$a] ?? -1) * $ifActs;
            $other = ($rest[$b] ?? -1) * $ifNot;
            if ($own < 0 && $other < 0) {
                break;
            }
            if ($own >= $other) {
                $sum += $own;
                $a++;
            } else {
                $sum += $other;
                $b++;
            }
        }

        return $sum;
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
