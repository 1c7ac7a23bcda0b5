<?php

declare(strict_types=1);

namespace App\Database;

use Closure;
use Illuminate\Support\Facades\DB;

/** Whoever reads never waits for whoever writes: what a reader would like to put down on the way is left when the database is not free. */
final readonly class Busy
{
    private const WAITS_MS = 250;

    public static function unless(Closure $write): void
    {
        $db = DB::connection();
        $db instanceof PatientConnection ? $db->ifFree(self::WAITS_MS, $write) : $write();
    }
}
