<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\AtlasExport;
use Illuminate\Console\Command;

/** Writes what the pages need of the atlas: ids as TypeScript unions, names and knowledge as JSON. */
final class AtlasExportCommand extends Command
{
    protected $signature = 'somatrace:atlas-export';

    protected $description = 'Write the atlas and its ids for the pages (resources/js/types, resources/js/chart)';

    public function handle(AtlasExport $export): int
    {
        foreach ($export->files() as $path => $text) {
            file_put_contents(base_path($path), $text);
            $this->line($path);
        }

        return self::SUCCESS;
    }
}
