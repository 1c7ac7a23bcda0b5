<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\AtlasExport;
use Illuminate\Console\Command;
use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\AtlasFiles;
use Somatrace\Core\Anatomy\AtlasGaps;
use Symfony\Component\Console\Output\OutputInterface;

/** Reads the atlas as a second reader would, or writes what the pages need of it. */
final class AtlasCommand extends Command
{
    protected $signature = 'somatrace:atlas
        {verb : check (faults, counts and gaps) or export (ids and names for the pages)}
        {--data= : another folder of data files to check}';

    protected $description = 'Check the atlas (core/data), or export it for the pages';

    public function handle(): int
    {
        return match ($this->argument('verb')) {
            'check' => $this->check(),
            'export' => $this->export(),
            default => $this->refuse(),
        };
    }

    private function check(): int
    {
        $data = $this->option('data');
        $folder = is_string($data) ? $data : base_path('core/data');
        if ($this->isFaulty($folder)) {
            return 2;
        }
        $atlas = new AtlasGaps(Atlas::build($folder));
        foreach ($atlas->counts() as $what => $count) {
            $this->line(sprintf('%5d %s', $count, $what));
        }
        $gaps = $atlas->gaps();
        array_map($this->line(...), $gaps);
        $this->line(count($gaps) === 1 ? '1 gap' : count($gaps).' gaps');

        return $gaps === [] ? self::SUCCESS : self::FAILURE;
    }

    private function export(): int
    {
        if ($this->isFaulty(base_path('core/data'))) {
            return 2;
        }
        foreach (app(AtlasExport::class)->files() as $path => $text) {
            file_put_contents(base_path($path), $text);
            $this->line($path);
        }

        return self::SUCCESS;
    }

    private function isFaulty(string $folder): bool
    {
        $faults = (new AtlasFiles($folder))->faults();
        foreach ($faults as $fault) {
            $this->getOutput()->getErrorStyle()->writeln($fault->line(), OutputInterface::OUTPUT_RAW);
        }

        return $faults !== [];
    }

    private function refuse(): int
    {
        $this->getOutput()->getErrorStyle()->writeln('verb: allowed are check, export');

        return 2;
    }
}
