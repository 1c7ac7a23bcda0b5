<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\PatternEngine;
use Somatrace\Core\Pattern\PatternResult;

/** Lets simulated clients be assessed in several ways and scores the ranking against what is hidden. */
final readonly class RankingTrial
{
    private AtlasIndex $index;

    private SimulatedClients $clients;

    private PatternEngine $engine;

    public function __construct(private Clinic $clinic)
    {
        $this->index = new AtlasIndex($clinic->atlas());
        $this->clients = new SimulatedClients($clinic->atlas(), $clinic->regionOfZone());
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
     * Following what is suggested, and palpating down the ranking, at equal numbers of checks and at equal minutes.
     *
     * @return array{
     *     suggested: array{checks: list<float>, minutes: list<float>, spent: list<float>},
     *     down: array{checks: list<float>, minutes: list<float>, spent: list<float>},
     * }
     *     percent among the first three after so many checks, percent by the end of so many minutes, and the mean minutes so many checks
     * took
     */
    public function orders(int $count, int $seed, int $most): array
    {
        $rows = [];
        foreach (['suggested' => $this->suggested(...), 'down' => $this->down(...)] as $order => $step) {
            [$found, $spent, $minutes] = [array_fill(0, $most + 1, 0), array_fill(0, $most + 1, 0.0), array_fill(0, $most + 1, 0)];
            foreach ($this->clients->many($count, $seed) as $client) {
                $way = $this->way($client, $step, $most);
                foreach ($way as $n => [$at, $right]) {
                    $found[$n] += $right ? 1 : 0;
                    $spent[$n] += $at;
                }
                for ($minute = 0; $minute <= $most; $minute++) {
                    $minutes[$minute] += $this->foundBy($way, $minute) ? 1 : 0;
                }
            }
            // every check takes half a minute or more: up to half their number all clients still have something to ask
            $rows[$order] = [
                'checks' => array_values(array_map(static fn (int $right): float => 100 * $right / $count, $found)),
                'minutes' => array_slice(
                    array_map(static fn (int $right): float => 100 * $right / $count, $minutes), 0, intdiv($most, 2) + 1,
                ),
                'spent' => array_values(array_map(static fn (float $sum): float => $sum / $count, $spent)),
            ];
        }

        return $rows;
    }

    /** @param  non-empty-list<array{float, bool}>  $way */
    private function foundBy(array $way, float $minute): bool
    {
        $found = false;
        foreach ($way as [$spent, $right]) {
            $found = $spent <= $minute ? $right : $found;
        }

        return $found;
    }

    /**
     * @param  callable(Assessment, CaseFile, PatternResult): float  $step
     * @return non-empty-list<array{float, bool}> minutes spent, and whether the strongest source is among the first three, after each check
     */
    private function way(SimulatedClient $client, callable $step, int $most): array
    {
        $assessment = new Assessment($this->index, $client);
        $pattern = $this->engine->rank($case = $assessment->case());
        $spent = 0.0;
        $way = [[$spent, $this->isFound($client, $pattern)]];
        for ($n = 0; $n < $most; $n++) {
            $spent += $step($assessment, $case, $pattern);
            $pattern = $this->engine->rank($case = $assessment->case());
            $way[] = [$spent, $this->isFound($client, $pattern)];
        }

        return $way;
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

        return in_array(
            $strongest,
            array_map(static fn (Candidate $candidate): string => $candidate->at->key(), array_slice($pattern->candidates, 0, 3)), true,
        );
    }
}
