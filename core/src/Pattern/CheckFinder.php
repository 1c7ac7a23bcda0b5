<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Test;

/**
 * Which check not yet done would tell most. A check touches few candidates: after each outcome only those are
 * reweighed and the untouched rest is scaled as a block, so a sweep over all checks stays cheap.
 */
final readonly class CheckFinder
{
    private const PALPATE_DOWN_TO = 24;

    private const JOINTS_DOWN_TO = 8;

    /** A joint, or none of these, that stands so far up is tried by its own checks as a muscle is by the hand. */
    private const TRIED_DOWN_TO = 8;

    /** What a check answers is a sign of this kind; a hand that feels where nobody felt repeats nothing. */
    private const KIND_OF_SIGN = ['range' => 'shortness', 'resisted' => 'use', 'palpate' => '', 'test' => 'test', 'spring' => 'joint'];

    /** Setting up takes so long, however short a test is. */
    private const LEAST_MINUTES = 0.5;

    /** @param  \Closure(Test): bool  $mayTest  whether a test may be done with this client */
    public function __construct(private RankingContext $context, private \Closure $mayTest)
    {
    }

    /** @return list<NextCheck> */
    public function find(PatternResult $pattern): array
    {
        $support = [AtlasIndex::NONE => $pattern->noneSupport];
        $sum = self::wLogW($pattern->noneSupport);
        $names = [AtlasIndex::NONE => 'none of these'];
        foreach ([...$pattern->candidates, ...$pattern->joints] as $candidate) {
            $key = $candidate->at->key();
            $support[$key] = $candidate->support;
            $names[$key] = lcfirst($candidate->name);
            $sum += self::wLogW($candidate->support);
        }
        arsort($support);
        // "none of these" is no place among the first three
        $firstThree = array_sum(array_slice(array_diff_key($support, [AtlasIndex::NONE => true]), 0, 3));
        $leaders = [];
        foreach (array_slice($pattern->candidates, 0, self::PALPATE_DOWN_TO) as $candidate) {
            $leaders[$candidate->at->key()] = $candidate;
        }
        foreach (array_slice($pattern->joints, 0, self::JOINTS_DOWN_TO) as $joint) {
            $leaders[$joint->at->key()] = $joint;
        }
        $known = self::known($leaders);
        $slopes = array_map(fn (Candidate|JointCandidate $leader): float => $this->context->figures->slope($leader->logOdds), $leaders);
        $direct = array_filter(
            array_slice($support, 0, self::TRIED_DOWN_TO, true),
            static fn (string $key): bool => ! isset($leaders[$key]) || $leaders[$key] instanceof JointCandidate, ARRAY_FILTER_USE_KEY,
        );
        $checks = [];
        foreach ($this->open($leaders) as [$kind, $id, $side, $touched]) {
            $outcomes = $this->outcomes($kind, $id, $side);
            $groups = [];
            foreach ($this->answering($outcomes, $touched) as [$acts, $like, $own]) {
                $groups[] = [
                    array_intersect_key($support, $own),
                    $this->dulled($acts, $outcomes['not'], $own, $known[self::KIND_OF_SIGN[$like]] ?? [], $slopes, $support),
                ];
            }
            [$bits, $gain] = $this->worth($support, $sum, $firstThree, $groups, $outcomes['not']);
            if ($bits > 1e-6) {
                $isDirect = $kind === 'palpate' || array_intersect_key($touched, $direct) !== [];
                $worth = round($this->worthOf($isDirect, $bits, $gain, $outcomes['minutes']), 9);
                // told in words only when it is among the first
                $checks[] = [
                    $worth, "$kind:$id:{$side->value}",
                    fn (): NextCheck => new NextCheck(
                        $kind, $id, $side, $this->name($kind, $id, $side), $bits, $gain, $outcomes['minutes'],
                        $this->because($support, $names, $touched), $isDirect,
                    ),
                ];
            }
        }
        usort($checks, static fn (array $a, array $b): int => $b[0] <=> $a[0] ?: $a[1] <=> $b[1]);

        return array_map(static fn (array $check): NextCheck => $check[2](), array_slice($checks, 0, $this->context->figures->nextChecks));
    }

    /**
     * What a check may answer, and how likely each answer is where what it touches acts, and where not.
     *
     * @return array{minutes: float, acts: list<float>, not: list<float>, like: string}
     */
    private function outcomes(string $kind, string $id, Side $side): array
    {
        $figures = $this->context->figures->outcomes;
        if ($kind !== 'test') {
            $glides = $kind === 'range' && $this->context->atlas->movement($id)->unit === 'glide';

            return [...$figures[$glides ? 'spring' : $kind], 'minutes' => $figures[$kind]['minutes'], 'like' => $glides ? 'spring' : $kind];
        }
        $test = $this->context->atlas->test($id);
        $told = $test->speaksOf[0] ?? null;
        $outcomes = match (true) {
            $told !== null => [
                'acts' => [$told->sensitivity, 1 - $told->sensitivity], 'not' => [1 - $told->specificity, $told->specificity],
                'like' => 'test',
            ],
            isset($this->context->index->joints->starts["$id:{$side->value}"]) => [...$figures['spring'], 'like' => 'spring'],
            default => [...$figures['range'], 'like' => 'range'],
        };

        return [...$outcomes, 'minutes' => max($test->minutes, self::LEAST_MINUTES)];
    }

    /**
     * Of whom a check answers, and how: a spring or a glide is the joint's own answer, and of a muscle that holds there it only hints, as
     * a range does.
     *
     * @param  array{acts: list<float>, like: string}  $outcomes
     * @param  array<string, true>  $touched
     * @return list<array{list<float>, string, array<string, true>}> how likely each answer is, what it is a sign like, of which candidates
     */
    private function answering(array $outcomes, array $touched): array
    {
        $joints = $outcomes['like'] === 'spring' ? array_intersect_key($touched, $this->context->index->joints->all) : $touched;
        $muscles = array_diff_key($touched, $joints);
        $range = $this->context->figures->outcomes['range'];

        return [
            ...($joints === [] ? [] : [[$outcomes['acts'], $outcomes['like'], $joints]]),
            ...($muscles === [] ? [] : [[$range['acts'], 'range', $muscles]]),
        ];
    }

    /**
     * Worth a minute: bits, and the chance gained that the right muscle is among the first three; a hand answers directly what a movement
     * hints at, and so does what tries a leading joint.
     */
    private function worthOf(bool $direct, float $bits, float $gain, float $minutes): float
    {
        $figures = $this->context->figures;

        return ($bits + $figures->gainWorth * $gain) * (
            $direct ? $figures->handWorth : 1
        ) / $minutes;
    }

    /**
     * A movement that touches none of the leaders tells nothing worth a minute.
     *
     * @param  array<string, Candidate|JointCandidate>  $leaders  by key
     * @return list<array{string, string, Side, array<string, true>}> kind, id, side, the candidates it touches
     */
    private function open(array $leaders): array
    {
        $open = [];
        foreach ($leaders as $key => $candidate) {
            if ($candidate instanceof Candidate && ! isset($this->context->palpation[$key])) {
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
        $tested = [];
        foreach ($this->context->case->findings->tests as $finding) {
            $tested["{$finding->test}:{$finding->side->value}"] = true;
        }
        foreach (
            [
                ['range', $this->context->index->rangesKeys, $measured], ['resisted', $this->context->index->movesKeys, $resisted],
                ['test', $this->context->index->testsKeys, $tested],
            ] as [$kind, $index, $done]
        ) {
            foreach ($index as $key => $touched) {
                if (! isset($done[$key]) && array_intersect_key($touched, $leaders) !== []) {
                    [$id, $side] = explode(':', $key);
                    if ($kind !== 'test' || ($this->mayTest)($this->context->atlas->test($id))) {
                        $open[] = [$kind, $id, Side::from($side), $touched];
                    }
                }
            }
        }

        return $open;
    }

    /**
     * Signs the leaders have already.
     *
     * @param  array<string, Candidate|JointCandidate>  $leaders
     * @return array<string, array<string, int>> by kind of sign, then by key
     */
    private static function known(array $leaders): array
    {
        $known = [];
        foreach ($leaders as $key => $leader) {
            foreach ($leader->evidence() as $one) {
                $known[$one->kind][$key] = ($known[$one->kind][$key] ?? 0) + 1;
            }
        }

        return $known;
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
        $share = $this->context->figures->discounted((int) round($signs / $weight)) * $slope / $weight;
        $dulled = array_map(static fn (float $a, float $n): float => $a ** $share * $n ** (1 - $share), $acts, $not);
        $total = array_sum($dulled);

        return array_map(static fn (float $one): float => $one / $total, $dulled);
    }

    private function name(string $kind, string $id, Side $side): string
    {
        if ($kind === 'palpate') {
            return 'Feel '.lcfirst($this->context->atlas->muscle($id)->name).", {$side->value}";
        }

        if ($kind === 'test') {
            return 'Test: '.lcfirst($this->context->atlas->test($id)->name).($side === Side::Midline ? '' : ", {$side->value}");
        }

        return ($kind === 'range' ? 'Measure: ' : 'Against resistance: ').lcfirst($this->context->atlas->movement($id)->name).(
            $side === Side::Midline ? '' : ", {$side->value}"
        );
    }

    /**
     * @param  array<string, float>  $support  strongest first
     * @param  float  $firstThree  what the first three have now
     * @param  list<array{array<string, float>, list<float>}>  $groups  the touched: support, strongest first; how likely each answer
     * @param  list<float>  $not  how likely each answer is where none of the touched acts
     * @return array{float, float} bits, and the gain in the share of the first three
     */
    private function worth(array $support, float $sum, float $firstThree, array $groups, array $not): array
    {
        [$touched, $restSum, $restShare, $parts] = [[], $sum, 1.0, []];
        foreach ($groups as [$shares, $acts]) {
            [$share, $logs] = [array_sum($shares), array_sum(array_map(self::wLogW(...), $shares))];
            $restShare -= $share;
            $restSum -= $logs;
            $touched += $shares;
            $parts[] = [$share, $logs, $acts, array_values(array_diff_key($shares, [AtlasIndex::NONE => true]))];
        }
        $restShare = max(0, $restShare);
        // the untouched keep their order, so the first three of them are enough
        $rest = [];
        foreach ($support as $key => $share) {
            if (! isset($touched[$key]) && $key !== AtlasIndex::NONE) {
                $rest[] = $share;
                if (count($rest) === 3) {
                    break;
                }
            }
        }
        [$after, $three] = [0.0, 0.0];
        foreach ($not as $outcome => $ifNot) {
            // Σ w·log w of the scaled parts: scaling by f adds f·Σw·log f
            $weight = $restShare * $ifNot;
            $scaled = $ifNot * $restSum + $restShare * self::wLogW($ifNot);
            $first = [[$rest, $ifNot]];
            foreach ($parts as [$share, $logs, $acts, $ranked]) {
                $weight += $share * $acts[$outcome];
                $scaled += $acts[$outcome] * $logs + $share * self::wLogW($acts[$outcome]);
                $first[] = [$ranked, $acts[$outcome]];
            }
            if ($weight > 0) {
                $after += $weight * (log($weight) - $scaled / $weight);
                $three += self::firstThree($first);
            }
        }

        // whether it is none of these is settled on who is strongest
        $settles = $support[AtlasIndex::NONE] * array_sum($touched);

        return [(-$sum - $after) / M_LN2, max(0, $three - $firstThree) + $settles];
    }

    /** @param  list<array{list<float>, float}>  $parts  shares, strongest first, and by how much all of them are scaled */
    private static function firstThree(array $parts): float
    {
        $scaled = [];
        foreach ($parts as [$shares, $by]) {
            foreach (array_slice($shares, 0, 3) as $share) {
                $scaled[] = $share * $by;
            }
        }
        rsort($scaled);

        return array_sum(array_slice($scaled, 0, 3));
    }

    /**
     * @param  array<string, float>  $support  strongest first
     * @param  array<string, string>  $names
     * @param  array<string, true>  $touched
     */
    private function because(array $support, array $names, array $touched): string
    {
        [$in, $out] = [null, null];
        foreach ($support as $key => $_) {
            if (isset($touched[$key])) {
                $in ??= $names[$key];
            } else {
                $out ??= $names[$key];
            }
            if ($in !== null && $out !== null) {
                break;
            }
        }

        return match (true) {
            $in === null => '',
            $out === null => "Tells about $in.",
            default => "Tells $in from $out.",
        };
    }

    private static function wLogW(float $w): float
    {
        return $w > 0 ? $w * log($w) : 0.0;
    }
}
