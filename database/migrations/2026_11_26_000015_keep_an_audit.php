<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Who saw or changed what, when and from where. The database itself refuses to change or forget a line. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(<<<'SQL'
            create table audit_lines (
                id integer primary key autoincrement not null,
                clinic_id integer references clinics(id) on delete restrict,
                user_id integer references users(id) on delete restrict,
                client_id integer, -- no key: a line outlives what it is about
                visit_id integer,
                deed varchar(40) not null,
                kind varchar(8) not null check (kind in ('saw', 'changed', 'took', 'door', 'keeping')),
                detail varchar(300) not null default '',
                ip varchar(45) not null,
                agent varchar(160) not null,
                happened_at datetime not null
            )
            SQL);
        foreach (['clinic_id, id', 'client_id, id', 'user_id, id'] as $columns) {
            DB::statement('create index audit_lines_'.str_replace(', ', '_', $columns)."_index on audit_lines ($columns)");
        }
        DB::statement(
            "create trigger audit_lines_stay_as_written before update on audit_lines begin select raise(abort, 'a line of the audit is never changed'); end",
        );
        DB::statement(
            "create trigger audit_lines_stay before delete on audit_lines begin select raise(abort, 'a line of the audit is never deleted'); end",
        );
    }

    public function down(): void
    {
        Schema::drop('audit_lines');
    }
};
