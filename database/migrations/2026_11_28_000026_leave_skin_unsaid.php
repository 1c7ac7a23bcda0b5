<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Skin that nobody has looked at is not "usual". What stands stays: nobody can tell any more who was asked. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("alter table clients add column skin_seen text check (skin_seen in ('usual', 'dry', 'hairy', 'fragile'))");
        DB::statement('update clients set skin_seen = skin');
        DB::statement('alter table clients drop column skin');
        DB::statement('alter table clients rename column skin_seen to skin');
    }
};
