<?php

declare(strict_types=1);

use App\Keeping\NoteHash;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A signed note names the atlas it was judged by and carries a hash of itself; only a second name may still come to it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("alter table notes add column atlas_version varchar(12) not null default ''"); // empty: signed before it was kept
        DB::statement("alter table notes add column content_hash char(64) not null default ''");
        foreach (DB::table('notes')->orderBy('id')->get() as $note) {
            DB::table('notes')->where('id', $note->id)->update(['content_hash' => NoteHash::of((array) $note)]);
        }
        $frozen = implode(' or ', array_map(static fn (string $column): string => "new.$column is not old.$column", [
            'id', 'visit_id', 'revision', 'happened', 'advice', 'next_time', 'case_document', 'results', 'reason', 'signed_by', 'signed_at',
            'needs_countersign', 'atlas_version', 'content_hash',
        ]));
        DB::statement(
            "create trigger notes_stay_as_signed before update on notes when $frozen or (old.countersigned_at is not null and new.countersigned_at is not old.countersigned_at) begin select raise(abort, 'a signed note is never changed'); end",
        );
        // only with the client, when they asked for it and no law keeps the record any longer
        DB::statement(
            "create trigger notes_stay before delete on notes when not exists (select 1 from visits join clients on clients.id = visits.client_id where visits.id = old.visit_id and clients.erased_at is not null) begin select raise(abort, 'a signed note is never deleted'); end",
        );
    }
};
