<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Support\Facades\DB;

/**
 * A database that came from another installation under the seal of this one. Whatever does not hold under the old seal is left as it is, so
 * that it does not hold under the new one either.
 */
final readonly class Resealing
{
    public static function of(string $connection, Seal $old, Seal $new): void
    {
        $db = DB::connection($connection);
        $guards = $db
            ->table('sqlite_master')
            ->where('type', 'trigger')
            ->whereIn('tbl_name', ['audit_lines', 'notes'])
            ->pluck('sql', 'name')
            ->all();
        foreach (array_keys($guards) as $name) {
            $db->statement("drop trigger \"$name\"");
        }
        $db->transaction(static function () use ($connection, $db, $old, $new): void {
            if ((new AuditChain($old, $connection))->fault() === null) {
                (new AuditChain($new, $connection))->sealAnew();
            }
            foreach ($db->table('notes')->orderBy('id')->get() as $note) {
                if (hash_equals((string) $note->content_hash, NoteHash::of((array) $note, $old))) {
                    $db->table('notes')->where('id', $note->id)->update(['content_hash' => NoteHash::of((array) $note, $new)]);
                }
                $second = static fn (Seal $seal): string => NoteHash::ofSecondName(
                    (int) $note->id, (int) $note->countersigned_by, (string) $note->countersigned_at, $seal,
                );
                if ($note->countersigned_at !== null && hash_equals((string) $note->countersign_hash, $second($old))) {
                    $db->table('notes')->where('id', $note->id)->update(['countersign_hash' => $second($new)]);
                }
            }
        });
        foreach ($guards as $sql) {
            $db->statement((string) $sql);
        }
    }
}
