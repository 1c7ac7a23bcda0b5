<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What somebody wants to be able to do, or to be rid of, is an entry. */
return new class extends Migration
{
    /** Foreign keys can only be switched off outside a transaction, and dropping the old table would take its changes along. */
    public $withinTransaction = false;

    public function up(): void
    {
        $old = (string) DB::table('sqlite_master')->where(['type' => 'table', 'name' => 'entries'])->value('sql');
        if (str_contains($old, "'goal'")) {
            return; // a new installation knows the kind already
        }
        $beside = DB::table('sqlite_master')->whereIn('type', ['index', 'trigger'])->where('tbl_name', 'entries')->whereNotNull('sql')
            ->pluck('sql');
        $new = preg_replace(["/'text'(?=[,)])/", '/^create table "entries"/i'], ["'text', 'goal'", 'create table "entries_new"'], $old, 1);
        DB::statement('pragma foreign_keys = off');
        DB::transaction(static function () use ($new, $beside): void {
            DB::statement((string) $new);
            DB::statement('insert into entries_new select * from entries');
            DB::statement('drop table entries');
            DB::statement('alter table entries_new rename to entries');
            foreach ($beside as $statement) {
                DB::statement((string) $statement);
            }
        });
        DB::statement('pragma foreign_keys = on');
    }
};
