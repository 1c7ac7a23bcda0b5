<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Pattern\Figures;
use Somatrace\Core\Pattern\PatternResult;

/**
 * Fits the weights of the ranking together on simulated clients: one softmax over all candidates and "none of these", the strongest hidden
 * source is right. Weights stay near where they started, keep their sign, and keep the order of graded signs. How a sign is discounted and
 * capped depends on the weights themselves and is read anew each round.
 */
final readonly class WeightFit
{
    /**
     * Weights that may not pass each other, weakest first: a complaint points to who is known to send there at least as much as to who lies
     * there.
     */
    private const LADDERS = [
        [
            'complaint_remote', 'complaint_far', 'complaint_neighbour', 'complaint_spill_over', 'complaint_own_zone',
            'complaint_core_referral',
        ],
        ['short_0', 'short_1', 'short_2', 'short_3'],
        ['use_clean', 'use_weak', 'use_hurts'],
        ['posture_absent', 'posture_slight', 'posture_marked'],
        ['tenderness_0', 'tenderness_1', 'tenderness_2', 'tenderness_3', 'tenderness_4'],
        ['referral_odd', 'referral_typical', 'referral_fits'],
        ['not_familiar', 'familiar'],
        ['lengthening_painless', 'lengthening_hurts'],
    ];

    /**
     * What no simulated client can speak of keeps its starting weight, and so do the days' demands: the simulator draws them from the very
     * list the ranking reads and would make them look surer than they are.
     */
    private const KEPT = [
        'complaint_spread', 'worse_with_demand', 'demand', 'demand_dominant', 'quiet_unchanged', 'quiet_improved', 'eased_with_it',
        'posture_long', 'stuck_layers',
    ];

    private const PULL_BACK = 0.02;

    private const STEP = 0.08;

    private Figures $start;

    public function __construct(private Clinic $clinic)
    {
        $this->start = $clinic->figures();
    }

    /**
     * @param  callable(int, float): void  $report  round and mean log loss before it
     * @return array<string, float> weights by name
     */
    public function fit(int $count, int $seed, int $rounds, callable $report): array
    {
        $cases = $this->cases($count, $seed);
        $weights = $this->start->weights;
        [$mean, $square] = [array_fill_keys(array_keys($weights), 0.0), array_fill_keys(array_keys($weights), 0.0)];
        for ($round = 1; $round <= $rounds; $round++) {
            $engine = $this->clinic->engineWith($this->start->with($weights));
            $gradient = array_fill_keys(array_keys($weights), 0.0);
            $loss = 0.0;
            foreach ($cases as [$case, $strongest]) {
                $loss += $this->learn($engine->rank($case), $strongest, $gradient);
            }
            $report($round, $loss / count($cases));
            foreach ($gradient as $name => $slope) {
                if (in_array($name, self::KEPT, true)) {
                    continue;
                }
                $slope = $slope / count($cases) - self::PULL_BACK * ($weights[$name] - $this->start->weights[$name]);
                // steps of Adam: each weight moves at a pace of its own
                $mean[$name] = 0.9 * $mean[$name] + 0.1 * $slope;
                $square[$name] = 0.99 * $square[$name] + 0.01 * $slope ** 2;
                $weights[$name] += self::STEP * ($mean[$name] / (1 - 0.9 ** $round)) / (sqrt($square[$name] / (1 - 0.99 ** $round)) + 1e-4);
            }
            $weights = $this->inOrder($weights);
        }

        return array_map(static fn (float $weight): float => round($weight, 2), $weights);
    }

    /**
     * @return list<array{\Somatrace\Core\CaseFile\CaseFile, list<string>}> each client at several depths of assessment, and who
     *     should be found
     */
    private function cases(int $count, int $seed): array
    {
        $index = new AtlasIndex($this->clinic->atlas());
        $cases = [];
        $clients = new WideClients(
            $this->clinic->atlas(), new SimulatedClients($this->clinic->atlas(), $this->clinic->regionOfZone()),
            $this->clinic->wholePattern(),
        );
        foreach ($clients->many($count, $seed) as $client) {
            $assessment = new Assessment($index, $client);
            $strongest = $client->truth();
            $cases[] = [$assessment->case(), $strongest];
            $cases[] = [$assessment->measure()->case(), $strongest];
            $cases[] = [$assessment->full()->case(), $strongest];
        }

        return $cases;
    }

    /**
     * @param  list<string>  $truth  by key; nothing where it is none of these
     * @param  array<string, float>  $gradient  of the log likelihood, added to
     * @return float log loss of this case
     */
    private function learn(PatternResult $pattern, array $truth, array &$gradient): float
    {
        $loss = $truth === [] ? -log(max(1e-9, $pattern->noneSupport)) : 0.0;
        foreach ([...$pattern->candidates, ...$pattern->joints] as $candidate) {
            $right = in_array($candidate->at->key(), $truth, true);
            $miss = ($right ? 1 / count($truth) : 0) - $candidate->support;
            if ($right) {
                $loss -= log(max(1e-9, $candidate->support)) / count($truth);
            }
            if (abs($miss) < 1e-5) {
                continue;
            }
            $slope = $miss * $this->start->slope($candidate->logOdds);
            foreach ($candidate->evidence() as $evidence) {
                $gradient[$evidence->sign->name] += $slope * $evidence->part;
            }
        }

        return $loss;
    }

    /**
     * @param  array<string, float>  $weights
     * @return array<string, float>
     */
    private function inOrder(array $weights): array
    {
        foreach ($weights as $name => $weight) {
            $weights[$name] = $this->start->weights[$name] > 0 ? max(0.02, $weight) : min(-0.02, $weight);
        }
        foreach (self::LADDERS as $ladder) {
            $below = -INF;
            foreach ($ladder as $name) {
                $weights[$name] = max($weights[$name], $below + 0.02);
                $below = $weights[$name];
            }
        }

        return $weights;
    }
}
