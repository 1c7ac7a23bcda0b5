<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A finding that names no site ended in a colon. Now that it may name a spot as well, what is not said leaves nothing behind. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("update entries set identity = rtrim(identity, ':') where identity like '%:'");
    }
};
