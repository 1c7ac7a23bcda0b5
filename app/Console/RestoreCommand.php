<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Backup;
use App\Keeping\BackupRefused;
use App\Keeping\Passphrase;
use App\Support\Audit;
use Illuminate\Console\Command;

final class RestoreCommand extends Command
{
    protected $signature = 'somatrace:restore {file : a backup made by somatrace:backup}';

    protected $description = 'Restores a backup into an empty installation';

    public function handle(): int
    {
        try {
            $about = (new Backup)->restore((string) $this->argument('file'), Passphrase::told($this));
        } catch (BackupRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        Audit::keeping('restored', "made {$about['made']}");
        $this->info("Restored as it was on {$about['made']}.\ncontent {$about['content_hash']}");

        return self::SUCCESS;
    }
}
