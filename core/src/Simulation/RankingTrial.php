<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\AtlasIndex;
use Somatrace\Core\Pattern\PatternEngine;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\WholePattern;

/** Lets simulated clients be assessed in several ways and scores the ranking against what is hidden. */
final readonly class RankingTrial
{
    private AtlasIndex $index;

    private WideClients $clients;

    private WholePattern $whole;

    private PatternEngine $engine;

    public function __construct(private Clinic $clinic)
    {
        $this->index = new AtlasIndex($clinic->atlas());
        $this->whole = $clinic->wholePattern();
        $this->clients = new WideClients(
            $clinic->atlas(), new SimulatedClients($clinic->atlas(), $clinic->regionOfZone()), $this->whole,
        );
        $this->engine = $clinic->engine();
    }

    /**
     * @return array{complaint: Score, ranges: Score, full: Score, checks: float, whole: array{found: float, false: float}} scores, checks a
     *     full assessment takes, and percent of whole patterns found, and told where there is none
     */
    public function levels(int $count, int $seed): array
    {
        $scores = ['complaint' => new Score, 'ranges' => new Score, 'full' => new Score];
        $checks = 0;
        $whole = ['there' => 0, 'found' => 0, 'not' => 0, 'false' => 0];
        foreach ($this->clients->many($count, $seed) as $client) {
            $assessment = new Assessment($this->index, $client);
            $scores['complaint']->add($client, $this->engine->rank($assessment->case()));
            $scores['ranges']->add($client, $this->engine->rank($assessment->measure()->case()));
            $scores['full']->add($client, $this->engine->rank($full = $assessment->full()->case()));
            $checks += $assessment->checks();
            $told = $this->whole->read($full)->busySide();
            if ($client->beyond?->busy === null) {
                $whole['not']++;
                $whole['false'] += $told === null ? 0 : 1;
            } else {
                $whole['there']++;
                $whole['found'] += $told === $client->beyond->busy ? 1 : 0;
            }
        }

        return [...$scores, 'checks' => $checks / max(1, $count), 'whole' => [
            'found' => 100 * $whole['found'] / max(1, $whole['there']), 'false' => 100 * $whole['false'] / max(1, $whole['not']),
        ]];
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
        $check = $this->engine->withChecks($case, $pattern, static fn (): bool => true)->nextChecks[0] ?? null;
        if ($check === null) {
            return 0;
        }
        $assessment->follow($check);

        return $check->minutes;
    }

    private function down(Assessment $assessment, CaseFile $case, PatternResult $pattern): float
    {
        foreach ($pattern->shares() as [$key]) {
            $muscle = $this->index->candidates[$key] ?? null;
            if ($muscle !== null && ! $assessment->isFelt($muscle)) {
                $assessment->feel($muscle);

                return $this->engine->minutesOf('palpate');
            }
            $test = $muscle === null ? $this->springOf($this->index->joints->all[$key]) : null;
            if ($test !== null && ! $assessment->isTested(...$test)) {
                $assessment->test(...$test);

                return $this->clinic->atlas()->test($test[0])->minutes;
            }
        }

        return 0;
    }

    /** @return array{string, Side}|null the test by which one would try it with the hand */
    private function springOf(JointAt $at): ?array
    {
        foreach ($at->joint->starts as $start) {
            if ($start->test !== null && $start->speaksOf($at->level, $at->level)) {
                return [$start->test, $this->clinic->atlas()->test($start->test)->paired ? $at->side : Side::Midline];
            }
        }

        return null;
    }

    private function isFound(SimulatedClient $client, PatternResult $pattern): bool
    {
        $truth = $client->truth();

        return $truth === []
            ? $pattern->ofNone->leads
            : array_intersect($truth, array_column(array_slice($pattern->shares(), 0, 3), 0)) !== [];
    }
}
