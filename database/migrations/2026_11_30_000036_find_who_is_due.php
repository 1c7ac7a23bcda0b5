<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who should come again by when, and whose course needs a thought, are found without reading every record. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table clients add column due_on date');
        DB::statement('create index clients_clinic_id_due_on_index on clients (clinic_id, due_on)');
        DB::statement('alter table judgements add column decision varchar(12)');
        DB::statement("update judgements set decision = json_extract(document, '$.course.decision') where kind = 'response'");
        DB::statement('create index judgements_decision_index on judgements (decision, visit_id) where decision is not null');
        DB::statement("create index visits_open_index on visits (clinic_id, started_at) where status = 'open'");
        // what a week has asked of somebody's hands is looked at on every page of a visit
        DB::statement('create index visits_user_id_started_at_index on visits (user_id, started_at)');
        // of the last visit of each, as its note proposed it
        $proposed = DB::table('visits')->join('notes', 'notes.visit_id', '=', 'visits.id')
            ->whereRaw('visits.number = (select max(number) from visits later where later.client_id = visits.client_id)')
            ->whereRaw('notes.revision = (select max(revision) from notes later where later.visit_id = visits.id)')
            ->whereRaw("json_extract(notes.results, '$.note.next.days') is not null")
            ->selectRaw("visits.client_id, date(visits.started_at, '+' || json_extract(notes.results, '$.note.next.days') || ' days') as due")
            ->cursor();
        foreach ($proposed as $one) {
            DB::table('clients')->where('id', $one->client_id)->update(['due_on' => $one->due]);
        }
    }
};
