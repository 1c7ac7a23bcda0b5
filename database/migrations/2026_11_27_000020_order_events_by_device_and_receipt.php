<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Events of one device are in the order of its own running number, those of several in the order in which they came in: a tablet's clock
 * orders nothing. Each row says whether it was looked at under the atlas of now, and what is wrong with it where it cannot be read.
 */
return new class extends Migration
{
    private const TYPES = [
        'step_started', 'pass_reached', 'sign', 'eased_off', 'step_done', 'step_skipped', 'stopped', 'consent_withdrawn', 'consent_given',
    ];

    public function up(): void
    {
        $types = implode(', ', array_map(static fn (string $type): string => "'$type'", self::TYPES));
        foreach ([
            'alter table treatment_events rename to treatment_events_before',
            <<<SQL
                create table treatment_events (
                    seq integer primary key autoincrement not null, -- the order in which they came in
                    id char(26) not null, -- a ULID made at the table, in capitals: late, doubled and shuffled arrivals are one
                    visit_id integer not null references visits(id) on delete cascade,
                    user_id integer not null references users(id) on delete restrict,
                    type varchar(20) not null check (type in ($types)),
                    step varchar(8) not null,
                    payload text not null default '{}',
                    device char(26), -- null: from before devices were told apart
                    number integer check (number >= 1),
                    happened_at datetime not null, -- what is shown
                    told_at varchar(40), -- what the tablet's clock said where that cannot be
                    received_at datetime not null,
                    entry_revision integer, -- the revision of the record that a withdrawal or a consent led to
                    lifted_by char(26), -- by which consent a withdrawal was lifted; "record": by one written in the record
                    checked varchar(12) not null default '',
                    fault varchar(300)
                )
                SQL,
            'insert into treatment_events (id, visit_id, user_id, type, step, payload, happened_at, received_at) select upper(id), visit_id, user_id, type, step, payload, happened_at, received_at from treatment_events_before where rowid in (select min(rowid) from treatment_events_before group by upper(id)) order by happened_at, id',
            'drop table treatment_events_before',
            'create unique index treatment_events_id_unique on treatment_events (id)',
            'create index treatment_events_visit_id_index on treatment_events (visit_id, seq)',
            // a row that is changed past the program is looked at again
            "create trigger treatment_events_changed after update of payload, type on treatment_events when new.checked != '' and new.checked is old.checked and (new.payload is not old.payload or new.type is not old.type) begin update treatment_events set checked = '' where seq = new.seq; end",
            "alter table entries add column checked varchar(12) not null default ''", // the atlas under which it was looked at
            'alter table entries add column fault varchar(300)', // why it cannot be read
            "create trigger entries_changed after update of payload, identity, kind on entries when new.checked != '' and new.checked is old.checked and (new.payload is not old.payload or new.identity is not old.identity or new.kind is not old.kind) begin update entries set checked = '' where id = new.id; end",
        ] as $statement) {
            DB::statement($statement);
        }
        // what stood as withdrawn or given by the events so far stands on
        foreach (
            DB::table('treatment_events')
                ->whereIn('type', ['consent_withdrawn', 'consent_given'])
                ->orderBy('seq')
                ->get(['seq', 'id', 'visit_id', 'type', 'payload']) as $event
        ) {
            $area = json_decode((string) $event->payload, true)['area'] ?? null;
            if ($event->type === 'consent_given' && is_string($area)) {
                DB::table('treatment_events')
                    ->where(['visit_id' => $event->visit_id, 'type' => 'consent_withdrawn'])
                    ->where('payload->area', $area)
                    ->where('seq', '<', $event->seq)
                    ->whereNull('lifted_by')
                    ->update(['lifted_by' => $event->id]);
            }
        }
    }
};
