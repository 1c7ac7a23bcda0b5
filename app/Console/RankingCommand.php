<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\RankingTrial;
use Somatrace\Core\Simulation\Score;
use Somatrace\Core\Simulation\WeightFit;
use Symfony\Component\Console\Output\OutputInterface;

/** Scores the ranking and the suggested checks on simulated clients, or fits the weights on others. */
final class RankingCommand extends Command
{
    private const FITTED_ON = 1;

    protected $signature = 'somatrace:ranking
        {verb=trial : trial (scores simulated clients) or fit (prints weights fitted on seed 1; changes nothing)}
        {--rounds=45 : of the fit}
        {--clients=2000 : how many simulated clients are assessed}
        {--seed=31 : which; 1 is what the weights were fitted on, 21 to 23 the curve of support, 2, 3 and 9 were looked at on the way}
        {--orders=300 : how many of them are asked check by check}
        {--checks=24 : and how many checks}';

    protected $description = 'Assess simulated clients and say how often the strongest source stands among the first';

    public function handle(Clinic $clinic): int
    {
        return match ($this->argument('verb')) {
            'trial' => $this->trial($clinic),
            'fit' => $this->fit($clinic),
            default => $this->refuse(),
        };
    }

    private function fit(Clinic $clinic): int
    {
        $weights = (new WeightFit($clinic))->fit(
            max(1, (int) $this->option('clients')), self::FITTED_ON, max(1, (int) $this->option('rounds')),
            fn (int $round, float $loss) => $this->getOutput()->getErrorStyle()->writeln(sprintf('round %d: log loss %.4f', $round, $loss)),
        );
        $this->line(json_encode($weights, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT));

        return self::SUCCESS;
    }

    private function refuse(): int
    {
        $this->getOutput()->getErrorStyle()->writeln('verb: allowed are trial, fit', OutputInterface::OUTPUT_RAW);

        return 2;
    }

    private function trial(Clinic $clinic): int
    {
        $trial = new RankingTrial($clinic);
        [$count, $seed] = [max(1, (int) $this->option('clients')), (int) $this->option('seed')];
        $from = hrtime(true);
        $levels = $trial->levels($count, $seed);
        $this->table(['known', 'first', 'first 3', 'first 5', 'all sources in first 5', 'log loss', 'worst region'], array_map(
            fn (string $name): array => $this->row($name, $levels[$name]), ['complaint', 'ranges', 'full'],
        ));
        $this->line(sprintf(
            '%d clients, seed %d, %.1f s; a full assessment takes %.0f checks', $count, $seed, (hrtime(true) - $from) / 1e9,
            $levels['checks'],
        ));
        foreach (['ranges', 'full'] as $name) {
            [$ended, $falsely] = $levels[$name]->none();
            $kinds = $levels[$name]->byKind();
            $shares = array_map(
                static fn (string $kind, float $share): string => sprintf('%s %.1f', $kind, $share), array_keys($kinds), $kinds,
            );
            $this->line(sprintf(
                '%s, none of these: found %.1f, falsely %.1f; first 3 by kind: %s', $name, $ended, $falsely, implode(', ', $shares),
            ));
            $this->line(
                "$name, first 3 by region: ".implode(
                    ', ',
                    array_map(
                        static fn (string $region, float $share): string => sprintf('%s %.0f', $region, $share),
                        array_keys($levels[$name]->byRegion()), $levels[$name]->byRegion(),
                    ),
                ),
            );
            $this->table(["$name: stated from", 'times', 'stated %', 'right %'], array_map(
                static fn (array $band): array => [
                    $band['from'], $band['count'], sprintf('%.1f', $band['stated']), sprintf('%.1f', $band['right']),
                ],
                $levels[$name]->calibration(),
            ));
        }
        $this->line(sprintf('whole pattern: found %.1f, falsely %.1f', $levels['whole']['found'], $levels['whole']['false']));
        $few = (int) $this->option('orders');
        if ($few > 0) {
            $this->orders($trial, $few, $seed);
        }

        return self::SUCCESS;
    }

    private function orders(RankingTrial $trial, int $count, int $seed): void
    {
        $orders = $trial->orders($count, $seed, max(1, (int) $this->option('checks')));
        [$suggested, $down] = [$orders['suggested'], $orders['down']];
        $percent = static fn (float $share): string => sprintf('%.1f', $share);
        $this->table(['checks', 'suggested', 'takes min', 'palpating down', 'takes min'], array_map(
            static fn (int $n): array => [
                $n, $percent($suggested['checks'][$n]), $percent($suggested['spent'][$n]), $percent($down['checks'][$n]),
                $percent($down['spent'][$n]),
            ],
            array_keys($suggested['checks']),
        ));
        $this->table(['by minute', 'suggested', 'palpating down'], array_map(
            static fn (int $minute): array => [$minute, $percent($suggested['minutes'][$minute]), $percent($down['minutes'][$minute])],
            array_keys($suggested['minutes']),
        ));
    }

    /** @return list<string> */
    private function row(string $name, Score $score): array
    {
        $regions = $score->byRegion();

        return [
            $name, ...array_map(static fn (int $first): string => sprintf('%.1f', $score->within($first)), [1, 3, 5]),
            sprintf('%.1f', $score->allSources()), sprintf('%.2f', $score->logLoss()),
            sprintf('%s %.0f', array_key_first($regions), reset($regions)),
        ];
    }
}
