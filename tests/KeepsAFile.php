<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/** A test on a database in a file of its own, since one in memory can neither be copied at one moment nor destroyed. */
trait KeepsAFile
{
    /** the file as the migrations leave it: they run once */
    private static ?string $migrated = null;

    protected string $folder;

    protected string $database;

    /** In place of the database in memory, with its transaction around each test. */
    public function refreshDatabase(): void
    {
        $this->folder = sys_get_temp_dir().'/somatrace-'.bin2hex(random_bytes(6));
        mkdir($this->folder, 0700);
        $this->database = "{$this->folder}/database.sqlite";
        touch($this->database);
        if (self::$migrated !== null) {
            file_put_contents($this->database, self::$migrated);
        }
        Config::set('database.connections.sqlite.database', $this->database);
        Config::set('somatrace.backup.folder', "{$this->folder}/none");
        DB::purge();
        if (self::$migrated === null) {
            Artisan::call('migrate', ['--force' => true]);
            self::$migrated = $this->image();
        }
        $this->beforeApplicationDestroyed(function (): void {
            DB::purge();
            foreach (glob("{$this->folder}/{,*/}*", GLOB_BRACE) ?: [] as $path) {
                is_file($path) && unlink($path);
            }
            @rmdir("{$this->folder}/shelf");
            rmdir($this->folder);
        });
    }

    /** All that is in the file by now. */
    protected function image(): string
    {
        DB::statement('pragma wal_checkpoint(truncate)');
        DB::purge();

        return (string) file_get_contents($this->database);
    }

    /** The file as it was then. */
    protected function lay(string $image): void
    {
        $this->destroy();
        file_put_contents($this->database, $image);
    }

    protected function destroy(): void
    {
        DB::purge();
        foreach (['', '-wal', '-shm'] as $beside) {
            @unlink($this->database.$beside);
        }
    }
}
