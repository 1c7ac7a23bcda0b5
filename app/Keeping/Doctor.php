<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Support\NoteHash;
use Carbon\CarbonImmutable;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/** Looks an installation over, and says of each thing how it stands and what to do. Changes nothing. */
final readonly class Doctor
{
    private const TRIGGERS = ['audit_lines_stay', 'audit_lines_stay_as_written', 'notes_stay', 'notes_stay_as_signed'];

    private const OLD_BACKUP_HOURS = 26;

    /** Room for the database once more, and as much again to breathe. */
    private const ROOM_TIMES = 3;

    private const LEAST_ROOM_BYTES = 500 * 1024 * 1024;

    public function __construct(private Migrator $migrator)
    {
    }

    /** @return list<Finding> */
    public function look(CarbonImmutable $now): array
    {
        return [$this->schema(), $this->file(), $this->orphans(), $this->guards(), $this->notes(), $this->changes(), $this->disk(), $this->backups($now), $this->setup()];
    }

    private function schema(): Finding
    {
        $files = array_keys($this->migrator->getMigrationFiles(database_path('migrations')));
        $ran = $this->migrator->repositoryExists() ? $this->migrator->getRepository()->getRan() : [];
        $open = array_diff($files, $ran);
        $foreign = array_diff($ran, $files);

        return match (true) {
            $open !== [] => Finding::ill('schema', count($open).' steps were not taken, first '.reset($open).'.', 'php artisan migrate --force'),
            $foreign !== [] => Finding::ill('schema', 'The database is of a later version than the program.', 'Install the version that wrote it, or restore a backup of this one.'),
            default => Finding::well('schema', count($files).' steps, all taken.'),
        };
    }

    private function file(): Finding
    {
        $said = array_column(array_map(static fn (object $row): array => array_values((array) $row), DB::select('pragma integrity_check(20)')), 0);

        return $said === ['ok'] ? Finding::well('database file', 'Whole.') : Finding::ill('database file', (string) $said[0], 'Stop the program, keep the file, and restore the newest backup.');
    }

    private function orphans(): Finding
    {
        $lost = DB::select('pragma foreign_key_check');

        return $lost === [] ? Finding::well('orphans', 'None: every row has what it belongs to.')
            : Finding::ill('orphans', count($lost)." rows belong to nothing, first in {$lost[0]->table}.", 'They were written past the program. Restore the newest backup that is free of them.');
    }

    private function guards(): Finding
    {
        $missing = array_diff(self::TRIGGERS, DB::table('sqlite_master')->where('type', 'trigger')->pluck('name')->all());

        return $missing === [] ? Finding::well('guards', 'The database keeps the audit and signed notes from being changed.')
            : Finding::ill('guards', 'Taken away: '.implode(', ', $missing).'.', 'Somebody changed the database by hand. Find out who; restore a backup from before.');
    }

    private function notes(): Finding
    {
        $changed = [];
        $count = 0;
        foreach (DB::table('notes')->orderBy('id')->cursor() as $note) {
            $count++;
            if (! hash_equals((string) $note->content_hash, NoteHash::of((array) $note))) {
                $changed[] = (int) $note->id;
            }
        }

        return $changed === [] ? Finding::well('signed notes', "$count, each as it was signed.")
            : Finding::ill('signed notes', count($changed).' are not as they were signed: '.implode(', ', array_slice($changed, 0, 10)).'.', 'Compare with the newest backup in which they are whole.');
    }

    /** Every entry stands as its last change left it. */
    private function changes(): Finding
    {
        $apart = DB::selectOne('select count(*) as n from entries e where not exists (select 1 from entry_changes c where c.entry_id = e.id and c.revision = e.revision and c.payload is e.payload)');
        $n = (int) ($apart->n ?? 0);

        return $n === 0 ? Finding::well('records', 'Each entry stands as its last change left it.') : Finding::ill('records', "$n entries do not stand as their last change left them.", 'They were written past the program. Compare with the newest backup.');
    }

    private function disk(): Finding
    {
        $database = Config::string('database.connections.sqlite.database');
        $free = (float) @disk_free_space(is_file($database) ? dirname($database) : storage_path());
        $needs = max(self::LEAST_ROOM_BYTES, self::ROOM_TIMES * (is_file($database) ? (int) filesize($database) : 0));
        $words = sprintf('%.1f GiB free.', $free / 1024 ** 3);

        return $free >= $needs ? Finding::well('disk', $words) : Finding::ill('disk', $words, sprintf('Make room: %.1f GiB are needed for a backup and to go on.', $needs / 1024 ** 3));
    }

    private function backups(CarbonImmutable $now): Finding
    {
        $made = (new Shelf(Config::string('somatrace.backup.folder')))->all();
        $newest = reset($made);
        if ($newest === false) {
            return Finding::ill('backup', 'There is none.', 'php artisan somatrace:backup; then let it be made each night (docs/keeping.md).');
        }
        $hours = (int) $newest->diffInHours($now);

        return $hours <= self::OLD_BACKUP_HOURS ? Finding::well('backup', "The newest is $hours hours old, of ".count($made).'.') : Finding::ill('backup', "The newest is $hours hours old.", 'Is the scheduler running, and the passphrase set? (docs/keeping.md)');
    }

    private function setup(): Finding
    {
        $wrong = array_keys(array_filter([
            'APP_DEBUG shows the inside of errors to everybody: switch it off' => app()->isProduction() && Config::boolean('app.debug'),
            'mail goes to the simulated outbox: name a mail service' => app()->isProduction() && Config::get('mail.default') === 'outbox',
            'cookies go over plain HTTP: set SESSION_SECURE_COOKIE=true and serve over HTTPS' => app()->isProduction() && Config::get('session.secure') !== true,
            'no passphrase is set for backups by night' => ! Passphrase::isSet(),
        ]));

        return $wrong === [] ? Finding::well('setup', 'As it should be.') : Finding::watch('setup', ucfirst(implode('; ', array_map(static fn (string $one): string => explode(':', $one)[0], $wrong))).'.', implode('; ', array_map(static fn (string $one): string => trim(explode(':', $one, 2)[1] ?? 'set SOMATRACE_BACKUP_PASSPHRASE_FILE'), $wrong)));
    }
}
