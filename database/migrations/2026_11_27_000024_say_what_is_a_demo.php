<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A clinic that is made up says so on every page. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table clinics add column demo integer not null default 0 check (demo in (0, 1))');
    }
};
