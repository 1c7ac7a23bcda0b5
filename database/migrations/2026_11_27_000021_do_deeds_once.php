<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A deed that was sent twice is done once: its key, made by the window, stands here beside what came of it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement(
            'create table deeds (key char(26) primary key not null, user_id integer not null references users(id) on delete cascade, deed varchar(40) not null, result integer not null, done_at datetime not null) without rowid',
        );
        DB::statement('create index deeds_done_at_index on deeds (done_at)');
    }
};
