<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Notes are composed: the composed note is judged like the rest, stored while nothing it is made of has changed, and a sentence that was
 * changed by hand, and what was handed out for home, are entries.
 */
return new class extends Migration
{
    /** Foreign keys can only be switched off outside a transaction, and dropping the old table would take its changes along. */
    public $withinTransaction = false;

    public function up(): void
    {
        Schema::table('judgements', function (Blueprint $table): void {
            $table->enum('kind', ['safety', 'assessment', 'chains', 'pattern', 'plan', 'response', 'note'])->change();
        });
        $old = (string) DB::table('sqlite_master')->where(['type' => 'table', 'name' => 'entries'])->value('sql');
        if (str_contains($old, "'home_care'")) {
            return; // a new installation knows the kind already
        }
        $beside = DB::table('sqlite_master')->whereIn('type', ['index', 'trigger'])->where('tbl_name', 'entries')->whereNotNull('sql')
            ->pluck('sql');
        $new = preg_replace(
            [
                '/\'text\'(?=[,)])/', '/^create table "entries"/i',
            ], ["'text', 'sentence', 'home_care'", 'create table "entries_new"'], $old, 1,
        );
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
