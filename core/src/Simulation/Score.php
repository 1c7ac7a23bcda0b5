<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Pattern\PatternResult;

/** How often the strongest hidden source stood where in the ranking, and how well the stated support held. */
final class Score
{
    /** Lower ends of the bands of stated support. */
    public const BANDS = [0.05, 0.15, 0.25, 0.5, 0.75];

    private int $clients = 0;

    private float $logLoss = 0.0;

    /** @var array<int, int> clients whose strongest source was among the first so many */
    private array $within = [1 => 0, 3 => 0, 5 => 0];

    /** @var array<string, array{int, int}> by region: clients, and those found among the first three */
    private array $regions = [];

    /** @var array<string, array{int, int}> muscle or joint: clients, and those found among the first three */
    private array $kinds = [];

    private int $others = 0;

    private int $othersFound = 0;

    private int $falselyNone = 0;

    private int $sources = 0;

    private int $sourcesFound = 0;

    /** @var array<int, array{int, float, float}> by band: stated, their sum, those that were right */
    private array $bands = [];

    public function add(SimulatedClient $client, PatternResult $pattern): void
    {
        $truth = $client->truth();
        if ($truth === []) {
            $this->others++;
            $this->othersFound += $pattern->ofNone->leads ? 1 : 0;

            return;
        }
        $this->falselyNone += $pattern->ofNone->leads ? 1 : 0;
        $sources = [...array_map(static fn ($at): string => $at->key(), $client->sources()), ...$client->painfulJoints()];
        $this->clients++;
        $this->sources += count($sources);
        [$found, $known] = [false, false];
        foreach ($pattern->shares() as $rank => [$key, $support]) {
            $right = in_array($key, $truth, true);
            if ($right && ! $known) {
                $known = true;
                $this->logLoss -= log(max(1e-9, $support));
                foreach ($this->within as $first => $_) {
                    $this->within[$first] += $rank < $first ? 1 : 0;
                }
                $found = $rank < 3;
            }
            $this->sourcesFound += $rank < 5 && in_array($key, $sources, true) ? 1 : 0;
            $this->state($support, $right ? 1 / count($truth) : 0.0);
        }
        $kind = str_starts_with($truth[0], 'joint:') ? 'joint' : 'muscle';
        $this->kinds[$kind] ??= [0, 0];
        $this->kinds[$kind][0]++;
        $this->kinds[$kind][1] += $found ? 1 : 0;
        $this->regions[$client->region] ??= [0, 0];
        $this->regions[$client->region][0]++;
        $this->regions[$client->region][1] += $found ? 1 : 0;
    }

    /** @param  float  $right  1 where it is the strongest; a part of it where several are alike */
    private function state(float $support, float $right): void
    {
        for ($band = count(self::BANDS) - 1; $band >= 0; $band--) {
            if ($support >= self::BANDS[$band]) {
                [$count, $sum, $held] = $this->bands[$band] ?? [0, 0.0, 0.0];
                $this->bands[$band] = [$count + 1, $sum + $support, $held + $right];

                return;
            }
        }
    }

    /** @return array{float, float} percent of those who have none of these that end so, and percent of the others that do */
    public function none(): array
    {
        return [100 * $this->othersFound / max(1, $this->others), 100 * $this->falselyNone / max(1, $this->clients)];
    }

    /** @return array<string, float> percent among the first three, by muscle and joint */
    public function byKind(): array
    {
        return array_map(static fn (array $counts): float => 100 * $counts[1] / $counts[0], $this->kinds);
    }

    /** Percent of clients whose strongest source was among the first so many. */
    public function within(int $first): float
    {
        return 100 * ($this->within[$first] ?? 0) / max(1, $this->clients);
    }

    public function logLoss(): float
    {
        return $this->logLoss / max(1, $this->clients);
    }

    /** Percent of all hidden sources among the first five. */
    public function allSources(): float
    {
        return 100 * $this->sourcesFound / max(1, $this->sources);
    }

    /** @return array<string, float> percent among the first three, by region, the worst first */
    public function byRegion(): array
    {
        $regions = array_map(static fn (array $counts): float => 100 * $counts[1] / $counts[0], $this->regions);
        asort($regions);

        return $regions;
    }

    /**
     * @return list<array{from: float, count: int, stated: float, right: float}> percent stated and percent right, by band; empty bands are
     * left out
     */
    public function calibration(): array
    {
        $bands = $this->bands;
        ksort($bands);
        $rows = [];
        foreach ($bands as $band => [$count, $sum, $right]) {
            $rows[] = ['from' => self::BANDS[$band], 'count' => $count, 'stated' => 100 * $sum / $count, 'right' => 100 * $right / $count];
        }

        return $rows;
    }
}
