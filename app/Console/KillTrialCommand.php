<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\KillTrial;
use Illuminate\Console\Command;

final class KillTrialCommand extends Command
{
    protected $signature = 'somatrace:kill-trial {--times=300} {--people=1} {--seed=1}';

    protected $description = 'Kills the server again and again while it writes, and counts acknowledged writes that are lost';

    public function handle(): int
    {
        $trial = new KillTrial((int) $this->option('seed'), max(1, (int) $this->option('people')));
        $bar = $this->output->createProgressBar((int) $this->option('times'));
        $result = $trial->run((int) $this->option('times'), static fn () => $bar->advance());
        $bar->finish();
        $this->newLine();
        foreach ($result as $name => $value) {
            $this->line(sprintf('%-44s %s', str_replace('_', ' ', $name), $value));
        }

        if ($result['writes_acknowledged'] === 0) {
            $this->error('Nothing was acknowledged, so nothing was tried.');
        }

        return $result['writes_acknowledged'] > 0
            && (int) $result[
                'acknowledged_and_lost'
            ] + (int) $result['kept_twice'] + (int) $result['found_signed_out'] + (int) $result['answered_with_a_fault'] === 0
            && $result['database'] === 'whole'
            ? self::SUCCESS
            : self::FAILURE;
    }
}
