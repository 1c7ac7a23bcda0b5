<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a clinic has set, and what each of its people has set otherwise for themselves. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("alter table clinics add column settings text not null default '{}'");
        DB::statement("alter table users add column settings text not null default '{}'");
    }
};
