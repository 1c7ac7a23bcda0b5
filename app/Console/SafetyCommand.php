<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\SafetyRulesPage;
use Illuminate\Console\Command;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\Intakes;
use Somatrace\Core\Simulation\SafetyTrial;
use Symfony\Component\Console\Output\OutputInterface;

/** Writes the table of the safety rules, or tries them on made-up intakes. */
final class SafetyCommand extends Command
{
    protected $signature = 'somatrace:safety
        {verb : table (writes docs/safety-rules.md) or trial (screens made-up intakes and asks what must hold of each)}
        {--intakes=10000 : how many intakes the trial makes}
        {--seed=1 : which}';

    protected $description = 'Write the table of the safety rules, or try them on made-up intakes';

    public function handle(Clinic $clinic, SafetyRulesPage $page): int
    {
        return match ($this->argument('verb')) {
            'table' => $this->writeTable($page),
            'trial' => $this->trial($clinic),
            default => $this->refuse(),
        };
    }

    private function writeTable(SafetyRulesPage $page): int
    {
        file_put_contents(base_path(SafetyRulesPage::PATH), $page->text());
        $this->line(SafetyRulesPage::PATH);

        return self::SUCCESS;
    }

    private function trial(Clinic $clinic): int
    {
        $trial = new SafetyTrial($clinic);
        [$times, $verdicts, $broken] = [[], [], []];
        foreach (
            (new Intakes($clinic->atlas(), $clinic->rules()))->many(
                max(1, (int) $this->option('intakes')), (int) $this->option('seed'),
            ) as $number
                => $case
        ) {
            $one = $trial->of($case);
            $times[] = $one['ms'];
            $verdicts[$one['verdict']] = ($verdicts[$one['verdict']] ?? 0) + 1;
            foreach ($one['broken'] as $what) {
                $broken[] = "intake $number: $what";
            }
        }
        sort($times);
        ksort($verdicts);
        $at = static fn (float $share): string => number_format($times[(int) min(count($times) - 1, floor($share * count($times)))], 2);
        $this->line(sprintf(
            '%d intakes; a screen takes %s ms (median), %s (95 %%), %s (longest); budget 2', count($times), $at(0.5), $at(0.95), $at(1),
        ));
        $this->line(implode(
            ', ', array_map(static fn (string $verdict, int $many): string => "$verdict $many", array_keys($verdicts), $verdicts),
        ));
        array_map(fn (string $line) => $this->line($line), array_slice($broken, 0, 40));
        $this->line(count($broken).' broken');

        return $broken === [] ? self::SUCCESS : self::FAILURE;
    }

    private function refuse(): int
    {
        $this->getOutput()->getErrorStyle()->writeln('verb: allowed are table, trial', OutputInterface::OUTPUT_RAW);

        return 2;
    }
}
