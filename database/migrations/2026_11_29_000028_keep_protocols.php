<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Plans with a name. A change is a new version of the same line; nothing of a client is in them. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create table protocols (id integer primary key autoincrement not null, public_id varchar(26) not null, clinic_id integer not null references clinics(id) on delete cascade, user_id integer not null references users(id) on delete restrict, line varchar(26) not null, version integer not null, document text not null, shared tinyint(1) not null default 0, gone_at datetime, created_at datetime not null)',
        );
        DB::statement('create unique index protocols_public_id_unique on protocols (public_id)');
        DB::statement('create unique index protocols_line_version_unique on protocols (line, version)');
        DB::statement('create index protocols_clinic_id_index on protocols (clinic_id)');
    }
};
