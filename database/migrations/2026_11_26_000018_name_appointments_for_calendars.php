<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A name by which other calendars know an appointment, so that what comes back is the same one. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table appointments add column uid varchar(190)');
        foreach (DB::table('appointments')->pluck('id') as $id) {
            DB::table('appointments')->where('id', $id)->update(['uid' => strtolower((string) Str::ulid()).'@somatrace']);
        }
        DB::statement('create unique index appointments_clinic_id_uid_unique on appointments (clinic_id, uid)');
    }
};
