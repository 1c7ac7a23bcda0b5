<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Backup;
use App\Keeping\BackupRefused;
use App\Keeping\BackupRetention;
use App\Keeping\Passphrase;
use App\Keeping\Strength;
use App\Support\Audit;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;

final class BackupCommand extends Command
{
    protected $signature = 'somatrace:backup {--check : read every piece of the newest one instead of making one}';

    protected $description = 'Makes an encrypted backup of everything and takes those that have run out off the shelf';

    public function handle(): int
    {
        $now = CarbonImmutable::now();
        $backup = new Backup(Strength::from(Config::string('somatrace.backup.strength')));
        $retention = new BackupRetention(Config::string('somatrace.backup.folder'));
        try {
            $passphrase = Passphrase::told($this);
            if ($this->option('check') === true) {
                $newest = array_key_first($retention->all()) ?? throw BackupRefused::because('There is no backup yet.');
                $this->info("{$newest}: whole, made {$backup->check($newest, $passphrase)['made']}.");

                return self::SUCCESS;
            }
            $path = $retention->place($now);
            $hash = $backup->make($path, $passphrase, $now);
            $gone = $retention->tidy($now);
        } catch (BackupRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        }
        Audit::keeping('backup made', basename($path));
        $this->info("$path\ncontent $hash".($gone === [] ? '' : "\ntaken off the shelf: ".implode(', ', array_map(basename(...), $gone))));

        return self::SUCCESS;
    }
}
