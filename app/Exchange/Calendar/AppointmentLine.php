<?php

declare(strict_types=1);

namespace App\Exchange\Calendar;

use Carbon\CarbonImmutable;

/** One appointment as a calendar carries it. */
final readonly class AppointmentLine
{
    /**
     * @param  CarbonImmutable  $at in UTC
     * @param  string  $code of the client
     * @param  string  $therapist by mail address; empty where the calendar does not say
     */
    public function __construct(
        public string $uid,
        public CarbonImmutable $at,
        public int $minutes,
        public string $code,
        public string $therapist,
        public string $status,
    ) {
    }
}
