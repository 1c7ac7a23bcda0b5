<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Simulation;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Simulation\Assessment;
use Somatrace\Core\Simulation\RankingTrial;
use Somatrace\Core\Simulation\SimulatedClient;
use Somatrace\Core\Simulation\SimulatedClients;
use Somatrace\Core\Simulation\WeightFit;
use Somatrace\Core\Tests\Support\Core;

/**
 * The ranking on two hundred simulated clients; two thousand by `php artisan somatrace:ranking`, whose figures stand in
 * docs/ranking-trial.md.
 */
#[Group('slow')]
final class RankingTrialTest extends TestCase
{
    private const MANY = 200;

    /** Not the seed the weights were fitted on; it was looked at while tuning, and guards against falling back, no more. */
    private const SEED = 2;

    public function test_the_strongest_source_stands_among_the_first_three(): void
    {
        $scores = (new RankingTrial(Core::clinic()))->levels(self::MANY, self::SEED);

        self::assertGreaterThanOrEqual(95, $scores['full']->within(3));
        self::assertGreaterThanOrEqual(75, $scores['ranges']->within(3));
        // few have none of these, or a pattern: the figures of thousands stand in docs/ranking-trial.md
        [$ended, $falsely] = $scores['full']->none();
        self::assertGreaterThanOrEqual(70, $ended);
        self::assertLessThanOrEqual(5, $falsely);
        self::assertGreaterThanOrEqual(60, $scores['full']->byKind()['joint']);
        self::assertGreaterThanOrEqual(85, $scores['whole']['found']);
        self::assertLessThanOrEqual(8, $scores['whole']['false']);
        self::assertGreaterThan($scores['complaint']->within(3), $scores['ranges']->within(3));
        self::assertGreaterThan($scores['ranges']->logLoss() * -1, $scores['full']->logLoss() * -1, 'more findings tell more');
    }

    #[Group('whole')]
    public function test_what_is_suggested_is_no_worse_than_palpating_down_the_ranking(): void
    {
        $orders = (new RankingTrial(Core::clinic()))->orders(66, self::SEED, 16);

        foreach ($orders['suggested']['minutes'] as $minute => $found) {
            // three of these few clients; by thousands it is no worse at all (docs/ranking-trial.md)
            self::assertGreaterThanOrEqual($orders['down']['minutes'][$minute] - 5, $found, "by minute $minute");
        }
        self::assertGreaterThanOrEqual(
            array_sum($orders['down']['minutes']) - count($orders['down']['minutes']), array_sum($orders['suggested']['minutes']),
        );
        self::assertGreaterThan($orders['suggested']['checks'][0], $orders['suggested']['checks'][16]);
        self::assertSame($orders['down']['checks'][0], $orders['suggested']['checks'][0], 'both begin with the complaint');
    }

    public function test_the_same_seed_is_the_same_client_and_answers_do_not_depend_on_the_order(): void
    {
        [$one, $again] = [$this->client(7), $this->client(7)];
        $at = $one->strongest();
        $other = new MuscleAt('masseter', Side::Left);
        $first = [$one->feel($at), $one->feel($other), $one->move('cervical.rotation', Side::Left)];
        $second = [$again->move('cervical.rotation', Side::Left), $again->feel($other), $again->feel($at)];

        self::assertEquals($first, array_reverse($second));
        self::assertNotEquals($this->client(8)->hidden, $one->hidden);
    }

    public function test_clients_are_made_as_they_were_agreed(): void
    {
        [$sources, $decoys, $off, $own, $felt] = [[], [], 0, 0, 0];
        foreach ($this->clients()->many(300, 5) as $client) {
            $found = count($client->sources());
            $sources[$found] = ($sources[$found] ?? 0) + 1;
            $decoys[] = count($client->hidden) - $found;
            self::assertNotSame([], $client->complaints);
            self::assertSame(
                max(array_map(static fn ($muscle): float => $muscle->strength, $client->hidden)),
                $client->hidden[$client->strongest()->key()]->strength,
            );
            $finding = $client->feel($client->strongest());
            $felt++;
            $own += $finding->familiar === Answer::Yes ? 1 : 0;
            $off += $finding->tenderness < 3 ? 1 : 0;
        }

        self::assertSame([1, 2, 3], $this->sorted(array_keys($sources)));
        self::assertGreaterThan(1.8, array_sum($decoys) / count($decoys));
        self::assertEqualsWithDelta(0.74, $own / $felt, 0.1, 'the own pain is named most of the time');
        self::assertLessThan(0.35, $off / $felt);
    }

    public function test_a_full_assessment_asks_more_than_the_movements_and_leaves_nobody_in_reach_out(): void
    {
        $client = $this->client(3);
        $index = new AtlasIndex(Core::clinic()->atlas());
        $assessment = new Assessment($index, $client);
        self::assertSame(0, $assessment->checks());
        $moved = $assessment->measure()->checks();
        $all = $assessment->full()->checks();

        self::assertGreaterThan(0, $moved);
        self::assertGreaterThan($moved, $all);
        foreach ($index->candidates as $at) {
            if (($index->relations($client->complaints[0]->place())[$at->key()] ?? '') === 'complaint_own_zone') {
                self::assertTrue($assessment->isFelt($at), $at->key());
            }
        }
    }

    public function test_a_fit_lowers_the_loss_and_keeps_signs_and_order(): void
    {
        $clinic = Core::clinic();
        $losses = [];
        $weights = (new WeightFit($clinic))->fit(22, 1, 4, function (int $round, float $loss) use (&$losses): void {
            $losses[$round] = $loss;
        });

        self::assertLessThan($losses[1], $losses[4]);
        foreach ($clinic->figures()->weights as $name => $start) {
            self::assertSame($start <=> 0.0, $weights[$name] <=> 0.0, $name);
        }
        self::assertLessThanOrEqual($weights['tenderness_4'], $weights['tenderness_3']);
        self::assertSame($clinic->figures()->weights['demand'], $weights['demand']);
    }

    private function clients(): SimulatedClients
    {
        return new SimulatedClients(Core::clinic()->atlas(), Core::clinic()->regionOfZone());
    }

    private function client(int $seed): SimulatedClient
    {
        return $this->clients()->one($seed, 'neck');
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private function sorted(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }
}
