<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Figures;
use Somatrace\Core\Pattern\JointCandidate;
use Somatrace\Core\Pattern\NextCheck;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;

/** What the next check would tell, worked out once more the long way: every share anew after every outcome. */
final class NextChecksTest extends TestCase
{
    #[DataProvider('cases')]
    public function test_a_palpation_tells_as_much_as_the_long_way_finds(string $findings): void
    {
        $figures = Figures::load(dirname(__DIR__, 2).'/data');
        $pattern = Core::clinic()->rank(SpokenFindings::make($findings)->make());
        $palpations = array_filter($pattern->nextChecks, static fn (NextCheck $check): bool => $check->kind === 'palpate');
        self::assertNotEmpty($palpations);
        foreach ($palpations as $check) {
            $key = "$check->id:{$check->side->value}";
            $leader = $pattern->of(new MuscleAt($check->id, $check->side)) ?? self::fail("nobody is $key");
            [$acts, $not] = [$figures->outcomes['palpate']['acts'], $figures->outcomes['palpate']['not']];
            $share = $figures->slope($leader->logOdds);
            $dulled = array_map(static fn (float $a, float $n): float => $a ** $share * $n ** (1 - $share), $acts, $not);
            $dulled = array_map(static fn (float $one): float => $one / array_sum($dulled), $dulled);
            [$bits, $gain] = $this->theLongWay($pattern, [$key => $dulled], $not);

            self::assertEqualsWithDelta($bits, $check->bits, 1e-9, $check->name);
            // whether it is none of these is settled on who is strongest
            self::assertEqualsWithDelta($gain + $pattern->noneSupport * $leader->support, $check->gain, 1e-9, $check->name);
        }
    }

    /** A leg that is drawn is the hip joint's own answer, and only hints at the muscles that would hold it, as a range does. */
    public function test_a_pull_answers_of_the_joint_and_hints_at_its_muscles(): void
    {
        $figures = Figures::load(dirname(__DIR__, 2).'/data');
        $pattern = Core::clinic()->rank(SpokenFindings::make('hurts groin left')->make());
        $pull = array_combine(array_column($pattern->nextChecks, 'id'), $pattern->nextChecks)['one_leg_pull'] ?? self::fail();
        $not = $figures->outcomes['spring']['not'];
        $touched = (new AtlasIndex(Core::clinic()->atlas()))->testsKeys["one_leg_pull:{$pull->side->value}"];
        $leaders = [...array_slice($pattern->candidates, 0, 24), ...array_slice($pattern->joints, 0, 8)];
        $acts = [];
        foreach (['spring' => $pattern->joints, 'range' => $pattern->candidates] as $kind => $of) {
            $own = array_filter($of, static fn (Candidate|JointCandidate $one): bool => isset($touched[$one->at->key()]));
            self::assertNotEmpty($own, $kind);
            [$slope, $weight] = [0.0, 0.0];
            foreach (array_filter($own, static fn (Candidate|JointCandidate $one): bool => in_array($one, $leaders, true)) as $one) {
                $slope += $one->support * $figures->slope($one->logOdds);
                $weight += $one->support;
            }
            $share = $slope / $weight;
            $dulled = array_map(
                static fn (float $a, float $n): float => $a ** $share * $n ** (1 - $share), $figures->outcomes[$kind]['acts'], $not,
            );
            foreach ($own as $one) {
                $acts[$one->at->key()] = array_map(static fn (float $a): float => $a / array_sum($dulled), $dulled);
            }
        }
        self::assertCount(count($touched), $acts);
        [$bits, $gain] = $this->theLongWay($pattern, $acts, $not);
        $shares = array_column($pattern->shares(), 1, 0);

        self::assertEqualsWithDelta($bits, $pull->bits, 1e-9);
        self::assertEqualsWithDelta($gain + $pattern->noneSupport * array_sum(array_intersect_key($shares, $touched)), $pull->gain, 1e-9);
    }

    #[DataProvider('cases')]
    public function test_the_checks_stand_in_the_order_of_what_a_minute_of_them_is_worth(string $findings): void
    {
        $figures = Figures::load(dirname(__DIR__, 2).'/data');
        $checks = Core::clinic()->rank(SpokenFindings::make($findings)->make())->nextChecks;
        $worth = array_map(
            static fn (NextCheck $check): float => round(
                ($check->bits + $figures->gainWorth * $check->gain) * (
                    $check->direct ? $figures->handWorth : 1
                ) / $check->minutes,
                6,
            ),
            $checks,
        );
        $sorted = $worth;
        rsort($sorted);

        self::assertSame($sorted, $worth);
        self::assertCount($figures->nextChecks, $checks);
        foreach ($checks as $check) {
            $minutes = $figures->outcomes[$check->kind]['minutes'] ?? max(0.5, Core::clinic()->atlas()->test($check->id)->minutes);
            self::assertSame($minutes, $check->minutes);
            self::assertTrue($check->direct || $check->kind !== 'palpate', 'a hand answers directly');
        }
    }

    /** @return iterable<string, array{string}> */
    public static function cases(): iterable
    {
        yield 'a pain, and nothing else' => ['hurts neck_back left'];
        yield 'one muscle felt' => ['hurts neck_back left; felt levator_scapulae left tender 3 own'];
        yield 'a movement short' => ['hurts shoulder_front left; moves shoulder.internal_rotation left 40 hurts 4'];
        yield 'far up on the curve' => [
            'hurts low_back left; felt gluteus_medius left tender 4 own band tone high; felt quadratus_lumborum left tender 2',
        ];
    }

    public function test_what_was_done_is_not_asked_again(): void
    {
        $names = static fn (string $findings): array => array_map(
            static fn (NextCheck $check): string => "$check->kind $check->id {$check->side->value}",
            Core::clinic()->rank(SpokenFindings::make($findings)->make())->nextChecks,
        );
        $findings = 'hurts low_back left';
        for ($round = 0; $round < 12; $round++) {
            [$kind, $id, $side] = explode(' ', $names($findings)[0]);
            $findings .= '; '.match ($kind) {
                'palpate' => "felt $id $side tender 2",
                'range' => "moves $id $side hurts 3",
                'test' => "tests $id $side ".(Core::clinic()->atlas()->test($id)->answers === [] ? '2' : 'negative'),
                default => "resists $id $side hurts 3",
            };
            self::assertNotContains("$kind $id $side", $names($findings));
        }
    }

    public function test_a_check_says_in_words_what_to_do_and_whom_it_tells_from_whom(): void
    {
        $pattern = Core::clinic()->rank(SpokenFindings::make('hurts neck_back left')->make());
        foreach ($pattern->nextChecks as $check) {
            self::assertMatchesRegularExpression(match ($check->kind) {
                'palpate' => '/^Feel .+, (left|right)$/',
                'range' => $check->side === Side::Midline ? '/^Measure: [^,]+$/' : '/^Measure: .+, (left|right)$/',
                'test' => $check->side === Side::Midline ? '/^Test: [^,]+$/' : '/^Test: .+, (left|right)$/',
                default => $check->side === Side::Midline ? '/^Against resistance: [^,]+$/' : '/^Against resistance: .+, (left|right)$/',
            }, $check->name);
            self::assertMatchesRegularExpression('/^Tells .+ from .+\.$/', $check->because);
        }
        $first = array_values(array_filter($pattern->nextChecks, static fn (NextCheck $check): bool => $check->kind === 'palpate'))[0];
        $named = [];
        foreach ([...$pattern->candidates, ...$pattern->joints] as $one) {
            $named[$one->at->key()] = lcfirst($one->name);
        }
        $key = "$first->id:{$first->side->value}";
        $other = array_values(array_filter(array_column($pattern->shares(), 0), static fn (string $one): bool => $one !== $key))[0];

        self::assertSame("Tells {$named[$key]} from {$named[$other]}.", $first->because);
    }

    /**
     * @param  array<string, list<float>>  $acts  by candidate, how likely each answer is where it acts
     * @param  list<float>  $not
     * @return array{float, float} bits, and the gain in the share of the first three
     */
    private function theLongWay(PatternResult $pattern, array $acts, array $not): array
    {
        $support = ['none' => $pattern->noneSupport];
        foreach ([...$pattern->candidates, ...$pattern->joints] as $candidate) {
            $support[$candidate->at->key()] = $candidate->support;
        }
        [$after, $three] = [0.0, 0.0];
        foreach ($not as $outcome => $ifNot) {
            $weighed = [];
            foreach ($support as $key => $share) {
                $weighed[$key] = $share * ($acts[$key][$outcome] ?? $ifNot);
            }
            $chance = array_sum($weighed);
            $after += $chance * $this->entropy(array_map(static fn (float $one): float => $one / $chance, $weighed));
            $three += $this->firstThree($weighed);
        }

        return [$this->entropy($support) - $after, max(0.0, $three - $this->firstThree($support))];
    }

    /** @param  array<string, float>  $shares */
    private function entropy(array $shares): float
    {
        return -array_sum(array_map(static fn (float $one): float => $one > 0 ? $one * log($one, 2) : 0.0, $shares));
    }

    /** @param  array<string, float>  $shares */
    private function firstThree(array $shares): float
    {
        unset($shares['none']);
        rsort($shares);

        return array_sum(array_slice($shares, 0, 3));
    }
}
