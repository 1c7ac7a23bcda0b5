<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/** A test on a database in a file of its own, since one in memory can neither be copied at one moment nor destroyed. */
trait KeepsAFile
{
    protected string $folder;

    protected string $database;

    /** In place of the database in memory, with its transaction around each test. */
    public function refreshDatabase(): void
    {
        $this->folder = sys_get_temp_dir().'/somatrace-'.bin2hex(random_bytes(6));
        mkdir($this->folder, 0700);
        $this->database = "{$this->folder}/database.sqlite";
        touch($this->database);
        Config::set('database.connections.sqlite.database', $this->database);
        Config::set('somatrace.backup.folder', "{$this->folder}/none");
        DB::purge();
        Artisan::call('migrate', ['--force' => true]);
        $this->beforeApplicationDestroyed(function (): void {
            DB::purge();
            foreach (glob("{$this->folder}/{,*/}*", GLOB_BRACE) ?: [] as $path) {
                is_file($path) && unlink($path);
            }
            @rmdir("{$this->folder}/shelf");
            rmdir($this->folder);
        });
    }

    protected function destroy(): void
    {
        DB::purge();
        foreach (['', '-wal', '-shm'] as $beside) {
            @unlink($this->database.$beside);
        }
    }
}
