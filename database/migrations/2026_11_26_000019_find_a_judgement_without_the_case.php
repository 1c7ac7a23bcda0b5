<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * A judgement is found again by what its case was made of, without the case being put together; notes that wait and clients in a list are
 * found without looking at all.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach ([
            "alter table judgements add column stamp char(64) not null default ''",
            'create index notes_waiting_index on notes (visit_id) where needs_countersign = 1 and countersigned_at is null',
            'create index entries_revisions_index on entries (visit_id, revision)',
            'create index clients_called_index on clients (clinic_id, name, id) where archived_at is null',
            'create index clients_present_index on clients (clinic_id, last_seen_at desc, id) where archived_at is null',
            'create index appointments_client_id_index on appointments (client_id, starts_at)',
        ] as $statement) {
            DB::statement($statement);
        }
    }
};
