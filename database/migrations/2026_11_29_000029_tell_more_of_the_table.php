<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The room tells more: pressure up again, hands off and on, a number, an answer to a question, and what was a slip. */
return new class extends Migration
{
    private const TYPES = [
        'step_started', 'pass_reached', 'sign', 'eased_off', 'deepened', 'hands_off', 'hands_on', 'number_said', 'answered', 'step_done',
        'step_skipped', 'stopped', 'taken_back', 'consent_withdrawn', 'consent_given',
    ];

    private const COLUMNS = 'seq, id, visit_id, user_id, type, step, payload, device, number, happened_at, told_at, received_at, '
        .'entry_revision, lifted_by, checked, fault';

    public function up(): void
    {
        $types = implode(', ', array_map(static fn (string $type): string => "'$type'", self::TYPES));
        $columns = self::COLUMNS;
        foreach ([
            'drop trigger treatment_events_changed',
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
                    number integer check (number >= 1), -- above all that its device knew of
                    happened_at datetime not null, -- what is shown
                    told_at varchar(40), -- what the tablet's clock said where that cannot be
                    received_at datetime not null,
                    entry_revision integer, -- the revision of the record that a withdrawal or a consent led to
                    lifted_by char(26), -- by which consent a withdrawal was lifted; "record": by one written in the record
                    checked varchar(12) not null default '',
                    fault varchar(300)
                )
                SQL,
            "insert into treatment_events ($columns) select $columns from treatment_events_before order by seq",
            'drop table treatment_events_before',
            'create unique index treatment_events_id_unique on treatment_events (id)',
            'create index treatment_events_visit_id_index on treatment_events (visit_id, seq)',
            // a row that is changed past the program is looked at again
            "create trigger treatment_events_changed after update of payload, type on treatment_events when new.checked != '' and new.checked is old.checked and (new.payload is not old.payload or new.type is not old.type) begin update treatment_events set checked = '' where seq = new.seq; end",
        ] as $statement) {
            DB::statement($statement);
        }
    }
};
