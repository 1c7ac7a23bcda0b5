<?php

declare(strict_types=1);

use App\Keeping\AuditChain;
use App\Keeping\NoteHash;
use App\Keeping\Seal;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Each line of the audit carries a keyed hash of itself and of the line before it, and each note and each name beside it a keyed hash:
 * whoever has the file but not the key changes, takes away or moves nothing unseen. Attempts that were refused are lines too.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table audit_lines add column refused integer not null default 0 check (refused in (0, 1))');
        DB::statement("alter table audit_lines add column chain char(64) not null default ''");
        DB::statement("alter table notes add column countersign_hash char(64) not null default ''");
        $guards = DB::table('sqlite_master')
            ->where('type', 'trigger')
            ->whereIn('name', ['audit_lines_stay_as_written', 'notes_stay_as_signed'])
            ->pluck('sql', 'name')
            ->all();
        foreach (array_keys($guards) as $name) {
            DB::statement("drop trigger $name");
        }
        (new AuditChain(Seal::own()))->sealAnew();
        foreach (DB::table('notes')->orderBy('id')->cursor() as $note) {
            // one that was changed before keeps the hash it had, so that the doctor goes on saying so
            if (hash_equals((string) $note->content_hash, NoteHash::unkeyed((array) $note))) {
                DB::table('notes')->where('id', $note->id)->update(['content_hash' => NoteHash::of((array) $note)]);
            }
            if ($note->countersigned_at !== null) {
                DB::table('notes')->where('id', $note->id)->update([
                    'countersign_hash' => NoteHash::ofSecondName(
                        (int) $note->id, (int) $note->countersigned_by, (string) $note->countersigned_at,
                    ),
                ]);
            }
        }
        foreach ($guards as $sql) {
            DB::statement((string) $sql);
        }
    }
};
