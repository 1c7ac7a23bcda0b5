<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A booking may carry a word to reception: what has to be done, and nothing of why somebody comes. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table appointments add column word varchar(120)');
    }
};
