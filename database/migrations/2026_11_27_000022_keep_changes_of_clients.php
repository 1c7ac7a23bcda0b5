<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Every change of who a client is, with who, when, before and after. It goes with the client when they are erased. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create table client_changes (id integer primary key autoincrement not null, client_id integer not null references clients(id) on delete cascade, user_id integer references users(id) on delete restrict, field varchar(40) not null, before text, after text, changed_at datetime not null)',
        );
        DB::statement('create index client_changes_client_id_index on client_changes (client_id, id)');
    }
};
