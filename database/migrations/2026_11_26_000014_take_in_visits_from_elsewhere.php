<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Visits that were not made here come in by an open format; what was done in them is an entry, since no events tell it. */
return new class extends Migration
{
    /** Foreign keys can only be switched off outside a transaction, and dropping the old table would take its changes along. */
    public $withinTransaction = false;

    public function up(): void
    {
        DB::statement("alter table visits add column origin varchar(10) not null default 'here' check (origin in ('here', 'elsewhere'))");
        $old = (string) DB::table('sqlite_master')->where(['type' => 'table', 'name' => 'entries'])->value('sql');
        if (str_contains($old, "'done'")) {
            return; // a new installation knows the kind already
        }
        $indexes = DB::table('sqlite_master')->where(['type' => 'index', 'tbl_name' => 'entries'])->whereNotNull('sql')->pluck('sql');
        $new = str_replace(
            ["'text')", 'create table "entries"', 'CREATE TABLE "entries"'],
            ["'text', 'done')", 'create table "entries_new"', 'create table "entries_new"'], $old,
        );
        DB::statement('pragma foreign_keys = off');
        DB::transaction(static function () use ($new, $indexes): void {
            DB::statement($new);
            DB::statement('insert into entries_new select * from entries');
            DB::statement('drop table entries');
            DB::statement('alter table entries_new rename to entries');
            foreach ($indexes as $index) {
                DB::statement((string) $index);
            }
        });
        DB::statement('pragma foreign_keys = on');
    }
};
