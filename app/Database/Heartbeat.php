<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;
use Throwable;

/** Whether the database can be read. */
final readonly class Heartbeat
{
    public static function isThere(): bool
    {
        try {
            return DB::table('migrations')->exists();
        } catch (Throwable) {
            return false;
        }
    }
}
