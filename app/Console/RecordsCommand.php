<?php

declare(strict_types=1);

namespace App\Console;

use App\Cases\SoundRecords;
use Illuminate\Console\Command;

final class RecordsCommand extends Command
{
    protected $signature = 'somatrace:records';

    protected $description = 'Looks at everything stored that was not looked at under the atlas of now, so that no page has to (after an update)';

    public function handle(SoundRecords $sound): int
    {
        $found = $sound->lookAtAll();
        $this->line(
            "Looked at {$found['looked_at']} entries and events; {$found['cannot_be_read']} cannot be read and stand as they were written.",
        );

        return self::SUCCESS;
    }
}
