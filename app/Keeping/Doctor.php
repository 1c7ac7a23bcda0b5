<?php

declare(strict_types=1);

namespace App\Keeping;

use Carbon\CarbonImmutable;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;

/** Looks an installation over, and says of each thing how it stands and what to do. Changes nothing. */
final readonly class Doctor
{
    private const TRIGGERS = ['audit_lines_stay', 'audit_lines_stay_as_written', 'notes_stay', 'notes_stay_as_signed'];

    private const OLD_BACKUP_HOURS = 26;

    private const WAITING_MINUTES = 10;

    /** Room for the database once more, and as much again to breathe. */
    private const ROOM_TIMES = 3;

    private const LEAST_ROOM_BYTES = 500 * 1024 * 1024;

    public function __construct(private Migrator $migrator)
    {
    }

    /** @return list<Finding> */
    public function look(CarbonImmutable $now): array
    {
        return [
            $this->schema(), $this->file(), $this->orphans(), $this->guards(), $this->notes(), $this->audit(), $this->changes(),
            $this->unreadable(), $this->disk(), $this->backups($now), $this->files(), $this->queue($now), $this->setup(),
        ];
    }

    private function schema(): Finding
    {
        $files = array_keys($this->migrator->getMigrationFiles(database_path('migrations')));
        $ran = $this->migrator->repositoryExists() ? $this->migrator->getRepository()->getRan() : [];
        $open = array_diff($files, $ran);
        $foreign = array_diff($ran, $files);

        return match (true) {
            $open !== [] => Finding::ill(
                'schema', count($open).' steps were not taken, first '.reset($open).'.', 'php artisan migrate --force',
            ),
            $foreign !== [] => Finding::ill(
                'schema', 'The database is of a later version than the program.',
                'Install the version that wrote it, or restore a backup of this one.',
            ),
            default => Finding::well('schema', count($files).' steps, all taken.'),
        };
    }

    private function file(): Finding
    {
        $said = array_column(
            array_map(static fn (object $row): array => array_values((array) $row), DB::select('pragma integrity_check(20)')), 0,
        );

        return $said === ['ok']
            ? Finding::well('database file', 'Whole.')
            : Finding::ill('database file', (string) $said[0], 'Stop the program, keep the file, and restore the newest backup.');
    }

    private function orphans(): Finding
    {
        $lost = DB::select('pragma foreign_key_check');

        return $lost === [] ? Finding::well('orphans', 'None: every row has what it belongs to.')
            : Finding::ill(
                'orphans', count($lost)." rows belong to nothing, first in {$lost[0]->table}.",
                'They were written past the program. Restore the newest backup that is free of them.',
            );
    }

    private function guards(): Finding
    {
        $missing = array_diff(self::TRIGGERS, DB::table('sqlite_master')->where('type', 'trigger')->pluck('name')->all());

        return $missing === [] ? Finding::well('guards', 'The database keeps the audit and signed notes from being changed.')
            : Finding::ill(
                'guards', 'Taken away: '.implode(', ', $missing).'.',
                'Somebody changed the database by hand. Find out who; restore a backup from before.',
            );
    }

    private function notes(): Finding
    {
        $seal = Seal::own();
        $changed = [];
        $count = 0;
        $revisions = [];
        foreach (DB::table('notes')->orderBy('id')->cursor() as $note) {
            $count++;
            $revisions[(int) $note->visit_id][] = (int) $note->revision;
            $second = $note->countersigned_at === null
                ? ''
                : NoteHash::ofSecondName((int) $note->id, (int) $note->countersigned_by, (string) $note->countersigned_at, $seal);
            if (
                ! hash_equals((string) $note->content_hash, NoteHash::of((array) $note, $seal))
                    || ! hash_equals((string) $note->countersign_hash, $second)
            ) {
                $changed[] = "note {$note->id} of visit {$note->visit_id}";
            }
        }
        foreach (DB::table('visits')->where('status', 'signed')->where('origin', 'here')->pluck('id') as $visit) {
            $there = $revisions[(int) $visit] ?? [];
            if ($there === [] || max($there) !== count($there)) {
                $changed[] = "a revision of visit $visit is gone";
            }
        }

        return $changed === [] ? Finding::well('signed notes', "$count, each as it was signed.")
            : Finding::ill(
                'signed notes', count($changed).' are not as they were signed: '.implode(', ', array_slice($changed, 0, 10)).'.',
                'Compare with the newest backup in which they are whole.',
            );
    }

    private function audit(): Finding
    {
        $chain = new AuditChain(Seal::own());
        $fault = $chain->fault();

        return $fault === null ? Finding::well('audit', $chain->count().' lines, none changed, taken away or moved.')
            : Finding::ill(
                'audit', $fault,
                'Somebody wrote to the database past the program, or the key of the seal is another one. Find out who; compare with the newest backup.',
            );
    }

    /** What was stored by an earlier version, or past the program, and says what nobody can read. */
    private function unreadable(): Finding
    {
        $n = DB::table('entries')->whereNotNull('fault')->count() + DB::table('treatment_events')->whereNotNull('fault')->count();

        return $n === 0
            ? Finding::well('readable', 'Everything stored that was looked at can be read.')
            : Finding::watch(
                'readable', "$n entries or events cannot be read: they stand as they were written and count in nothing.",
                'Their visits say which. php artisan somatrace:records looks at them again.',
            );
    }

    /** Every entry stands as its last change left it. */
    private function changes(): Finding
    {
        $apart = DB::selectOne(
            'select count(*) as n from entries e where not exists (select 1 from entry_changes c where c.entry_id = e.id and c.revision = e.revision and c.payload is e.payload)',
        );
        $n = (int) ($apart->n ?? 0);

        return $n === 0
            ? Finding::well('records', 'Each entry stands as its last change left it.')
            : Finding::ill(
                'records', "$n entries do not stand as their last change left them.",
                'They were written past the program. Compare with the newest backup.',
            );
    }

    private function disk(): Finding
    {
        $database = Config::string('database.connections.sqlite.database');
        $free = (float) @disk_free_space(is_file($database) ? dirname($database) : storage_path());
        $needs = max(self::LEAST_ROOM_BYTES, self::ROOM_TIMES * (is_file($database) ? (int) filesize($database) : 0));
        $words = sprintf('%.1f GiB free.', $free / 1024 ** 3);

        return $free >= $needs
            ? Finding::well('disk', $words)
            : Finding::ill('disk', $words, sprintf('Make room: %.1f GiB are needed for a backup and to go on.', $needs / 1024 ** 3));
    }

    private function backups(CarbonImmutable $now): Finding
    {
        $made = (new BackupRetention(Config::string('somatrace.backup.folder')))->all();
        $newest = reset($made);
        if ($newest === false) {
            return Finding::ill(
                'backup', 'There is none.', 'php artisan somatrace:backup; then let it be made each night (docs/keeping.md).',
            );
        }
        $hours = (int) $newest->diffInHours($now);

        return $hours <= self::OLD_BACKUP_HOURS
            ? Finding::well('backup', "The newest is $hours hours old, of ".count($made).'.')
            : Finding::ill(
                'backup', "The newest is $hours hours old.", 'Is the scheduler running, and the passphrase set? (docs/keeping.md)',
            );
    }

    /** Nobody else on this machine reads what belongs to the clinic. */
    private function files(): Finding
    {
        $database = Config::string('database.connections.sqlite.database');
        $paths = [
            $database, "$database-wal", "$database-shm", base_path('.env'), Seal::own()->folder, Seal::own()->folder.'/key',
            storage_path('logs'), storage_path('framework/sessions'), Config::string('somatrace.backup.folder'),
            ...(glob(storage_path('logs/*.log')) ?: []), ...(glob(Config::string('somatrace.backup.folder').'/*.backup') ?: []),
        ];
        $open = array_filter($paths, static fn (string $path): bool => file_exists($path) && (fileperms($path) & 0077) !== 0);
        $short = array_map(static fn (string $path): string => str_replace(base_path().'/', '', $path), $open);

        return $open === [] ? Finding::well('permissions', 'Only the program reads database, settings, logs, seal and backups.')
            : Finding::ill(
                'permissions',
                'Others on this machine may read '.implode(', ', array_slice($short, 0, 6)).(
                    count($short) > 6 ? ' and '.(count($short) - 6).' more' : ''
                ).'.',
                'chmod go= '.implode(' ', $short),
            );
    }

    private function queue(CarbonImmutable $now): Finding
    {
        $oldest = DB::table('jobs')->min('created_at');
        $minutes = is_numeric($oldest) ? intdiv($now->getTimestamp() - (int) $oldest, 60) : 0;
        $failed = DB::table('failed_jobs')->count();

        return match (true) {
            $minutes > self::WAITING_MINUTES
                => Finding::ill(
                    'mail', "A mail has waited for $minutes minutes.", 'Is the scheduler running? One line for cron: docs/hosting.md.',
                ),
            $failed > 0 => Finding::watch(
                'mail', "$failed mails could not be sent.",
                'php artisan queue:retry all, once the mail service answers; php artisan queue:flush to give them up.',
            ),
            default => Finding::well('mail', 'None waits.'),
        };
    }

    /** By what it is used for: real people in it, or reached from another machine. Its name proves nothing. */
    private function setup(): Finding
    {
        $real = DB::table('clinics')->where('demo', 0)->exists();
        $address = (string) Config::get('app.url');
        $here = in_array(parse_url($address, PHP_URL_HOST), ['localhost', '127.0.0.1', '[::1]'], true);
        $used = $real || ! $here;
        $https = parse_url($address, PHP_URL_SCHEME) === 'https';
        $wrong = array_keys(array_filter([
            'errors show their inside to everybody: set APP_DEBUG=false' => $used && Config::boolean('app.debug'),
            'mail goes nowhere, only to the outbox of the demo: set MAIL_MAILER=smtp' => $used && Config::get('mail.default') === 'outbox',
            'the outbox is switched on: set SOMATRACE_OUTBOX=false' => $used && Config::boolean('somatrace.outbox'),
            'pages and cookies go over plain HTTP: serve over HTTPS and set APP_URL to it' => ! $here && ! $https,
            'this is called a local installation: set APP_ENV=production' => $used && app()->environment('local'),
            'mail is written while somebody waits: set QUEUE_CONNECTION=database' => $used && Config::get('queue.default') === 'sync',
            'the sign-ins of the demo are known to everybody, and a real clinic is beside them: keep the demo in a database of its own' => $real
                && DB::table('clinics')->where('demo', 1)->exists(),
            'the seal lies beside what it seals: set SOMATRACE_SEAL_FOLDER to a folder elsewhere' => $used
                && dirname(Seal::own()->folder) === dirname(Config::string('database.connections.sqlite.database')),
            'no passphrase is set for backups by night: set SOMATRACE_BACKUP_PASSPHRASE_FILE' => $used && ! Passphrase::isSet(),
        ]));
        $part = static fn (int $n): array => array_map(static fn (string $one): string => trim(explode(':', $one, 2)[$n]), $wrong);

        return $wrong === []
            ? Finding::well('setup', $used ? 'As it should be.' : 'A demo on its own machine.')
            : Finding::watch('setup', ucfirst(implode('; ', $part(0))).'.', implode('; ', $part(1)));
    }
}
