<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\LargeClinic;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

final class LargeClinicCommand extends Command
{
    protected $signature = 'somatrace:large-clinic {--clients=5000} {--visits=60000} {--findings=600000} {--database= : where it is made; a file beside the demo\'s by default}';

    protected $description = 'Makes up a large clinic in a database of its own, to measure pages on (somatrace:pages)';

    public function handle(LargeClinic $clinic): int
    {
        $path = (string) ($this->option('database') ?? storage_path('database.large.sqlite'));
        foreach (['', '-wal', '-shm'] as $beside) {
            @unlink($path.$beside);
        }
        touch($path);
        Config::set('database.connections.sqlite.database', $path);
        DB::purge();
        $this->callSilent('migrate', ['--force' => true]);
        $began = microtime(true);
        $made = $clinic->make((int) $this->option('clients'), (int) $this->option('visits'), (int) $this->option('findings'));
        foreach ($made as $what => $count) {
            $this->line(sprintf('%-20s %s', $what, number_format($count)));
        }
        $this->line(sprintf(
            "%s, %.0f MiB, %.0f s\nsign in as owner@large.example, large-clinic", basename($path), filesize($path) / 1024 ** 2,
            microtime(true) - $began,
        ));

        return self::SUCCESS;
    }
}
