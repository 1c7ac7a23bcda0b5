<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Client;
use App\Models\Clinic;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * How long a record must be kept. How many years is for local law to say, and for the clinic to set; a minor's run from when they come of
 * age.
 */
final readonly class Retention
{
    private const OF_AGE = 18;

    /** Until when the clinical record stays, or null where there is none that must. */
    public static function until(Client $client, Clinic $clinic): ?CarbonImmutable
    {
        $last = DB::table('visits')->where('client_id', $client->id)->max('started_at');
        if (! is_string($last)) {
            return null;
        }
        $years = $clinic->setting('retention_years');
        $from = max(CarbonImmutable::parse($last, 'UTC'), $client->born_on->addYears(self::OF_AGE));

        return $from->addYears(is_int($years) ? $years : 0);
    }
}
