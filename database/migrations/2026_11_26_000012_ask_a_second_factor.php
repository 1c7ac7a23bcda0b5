<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        foreach ([
            'alter table users add column second_factor text', // encrypted
            'alter table users add column second_factor_step integer not null default 0', // the last one used: a code counts once
            "alter table users add column recovery_codes text not null default '[]'", // hashed
        ] as $statement) {
            DB::statement($statement);
        }
    }
};
