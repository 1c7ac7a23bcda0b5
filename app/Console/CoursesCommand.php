<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\CourseScore;
use Somatrace\Core\Simulation\CourseTrial;
use Symfony\Component\Console\Output\OutputInterface;

/** Treats simulated clients over visits by the judgement, others of the same make-up by a fixed routine, and says how both went. */
final class CoursesCommand extends Command
{
    protected $signature = 'somatrace:courses
        {verb=trial : trial is all there is}
        {--clients=400 : how many simulated clients}
        {--seed=31 : which; 5 to 7 were looked at while the judgement was made}';

    protected $description = 'Treat simulated clients over visits and set what was decided beside what is hidden';

    public function handle(Clinic $clinic): int
    {
        $clients = filter_var($this->option('clients'), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 20_000]]);
        $seed = filter_var($this->option('seed'), FILTER_VALIDATE_INT);
        if ($this->argument('verb') !== 'trial' || $clients === false || $seed === false) {
            $this->getOutput()->getErrorStyle()->writeln(
                'somatrace:courses trial, with a number of clients from 1 to 20000 and a whole number as seed', OutputInterface::OUTPUT_RAW,
            );

            return 2;
        }
        ['judged' => $judged, 'routine' => $routine] = (new CourseTrial($clinic))->run($clients, $seed);
        $this->line("$clients clients, seed $seed");
        $this->agreement($judged);
        $this->line('');
        $this->table(['', 'by the judgement', 'by routine'], $this->outcomes($judged->outcome(), $routine->outcome()));

        return self::SUCCESS;
    }

    private function agreement(CourseScore $score): void
    {
        foreach (['targets' => 'Of each muscle', 'courses' => 'Of the course'] as $what => $words) {
            $found = $score->agreement($what);
            $this->line(sprintf('%s: %.1f %% of %d decisions are what is hidden.', $words, $found['right'], $found['of']));
            foreach ($found['by'] as $decision => [$right, $of]) {
                $this->line(sprintf('  %-12s %5.1f %% of %d', str_replace('_', ' ', $decision), $right, $of));
            }
        }
    }

    /**
     * @param  array<string, float|int>  $judged
     * @param  array<string, float|int>  $routine
     * @return list<list<string>>
     */
    private function outcomes(array $judged, array $routine): array
    {
        $rows = [
            'settled, of those whose pain comes from muscles, %' => ['%.1f', 'settled'],
            'visits until settled' => ['%.1f', 'visits'], '  standard deviation' => ['%.1f', 'visits_sd'],
            'flares a client' => ['%.2f', 'flares'], '  standard deviation ' => ['%.2f', 'flares_sd'],
            'flared at least once, %' => ['%.1f', 'flared'],
            'sent on, of those whose pain comes from elsewhere, %' => ['%.1f', 'sent_rightly'],
            '  at visit' => ['%.1f', 'sent_at'],
            'sent on, of the others, %' => ['%.1f', 'sent_wrongly'],
        ];

        return array_map(
            static fn (string $words, array $how): array => [
                trim($words), sprintf($how[0], $judged[$how[1]]), sprintf($how[0], $routine[$how[1]]),
            ],
            array_keys($rows), array_values($rows),
        );
    }
}
