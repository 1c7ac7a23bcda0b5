<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Index;
use Somatrace\Core\Pattern\PatternEngine;
use Somatrace\Core\Pattern\PatternResult;

/** Lets simulated clients be assessed in several ways and scores the ranking against what is hidden. */
final readonly class RankingTrial
{
    private Index $index;

    private SimulatedClients $clients;

    private PatternEngine $engine;

    public function __construct(private Clinic $clinic)
    {
        $this->index = new Index($clinic->atlas);
        $this->clients = new SimulatedClients($clinic->atlas, $clinic->regionOfZone());
        $this->engine = $clinic->engine();
    }

    /** @return array{complaint: Score, ranges: Score, full: Score, checks: float} scores, and checks a full assessment takes */
    public function levels(int $count, int $seed): array
    {
        $scores = ['complaint' => new Score, 'ranges' => new Score, 'full' => new Score];
        $checks = 0;
        foreach ($this->clients->many($count, $seed) as $client) {
            $assessment = new Assessment($this->index, $client);
            $scores['complaint']->add($client, $this->engine->rank($assessment->case()));
            $scores['ranges']->add($client, $this->engine->rank($assessment->measure()->case()));
            $scores['full']->add($client, $this->engine->rank($assessment->full()->case()));
            $checks += $assessment->checks();
        }

        return [...$scores, 'checks' => $checks / max(1, $count)];
    }

    /**
     * Following what is suggested, and palpating down the ranking, check by check.
     *
     * @return array{suggested: array<int, array{minutes: float, three: float}>, down: array<int, array{minutes: float, three: float}>} by number of checks: mean minutes, percent among the first three
     */
    public function orders(int $count, int $seed, int $most): array
    {
        $found = ['suggested' => array_fill(0, $most + 1, 0), 'down' => array_fill(0, $most + 1, 0)];
        $minutes = ['suggested' => array_fill(0, $most + 1, 0.0), 'down' => array_fill(0, $most + 1, 0.0)];
        foreach ($this->clients->many($count, $seed) as $client) {
            foreach (['suggested' => $this->suggested(...), 'down' => $this->down(...)] as $order => $step) {
                $assessment = new Assessment($this->index, $client);
                $spent = 0.0;
                for ($n = 0; $n <= $most; $n++) {
                    $case = $assessment->case();
                    $pattern = $this->engine->rank($case);
                    $found[$order][$n] += $this->isFound($client, $pattern) ? 1 : 0;
                    $minutes[$order][$n] += $spent;
                    $spent += $n < $most ? $step($assessment, $case, $pattern) : 0;
                }
            }
        }
        $rows = static fn (string $order): array => array_map(
            static fn (int $right, float $spent): array => ['minutes' => $spent / $count, 'three' => 100 * $right / $count], $found[$order], $minutes[$order],
        );

        return ['suggested' => $rows('suggested'), 'down' => $rows('down')];
    }

    /** @return float minutes it took; 0 when nothing is left to ask */
    private function suggested(Assessment $assessment, CaseFile $case, PatternResult $pattern): float
    {
        $check = $this->engine->withChecks($case, $pattern)->nextChecks[0] ?? null;
        if ($check === null) {
            return 0;
        }
        $assessment->follow($check);

        return $check->minutes;
    }

    private function down(Assessment $assessment, CaseFile $case, PatternResult $pattern): float
    {
        foreach ($pattern->candidates as $candidate) {
            if (! $assessment->isFelt($candidate->at)) {
                $assessment->feel($candidate->at);

                return $this->engine->minutesOf('palpate');
            }
        }

        return 0;
    }

    private function isFound(SimulatedClient $client, PatternResult $pattern): bool
    {
        $strongest = $client->strongest()->key();

        return in_array($strongest, array_map(static fn (Candidate $candidate): string => $candidate->at->key(), array_slice($pattern->candidates, 0, 3)), true);
    }
}
