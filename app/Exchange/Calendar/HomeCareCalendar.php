<?php

declare(strict_types=1);

namespace App\Exchange\Calendar;

use App\Exchange\VObjects;
use Carbon\CarbonImmutable;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Somatrace\Core\HomeCare\HomeCareFigures;
use Somatrace\Core\Record\HandedOut;

/**
 * What was handed out for home as a calendar (RFC 5545) to take along: each at its times, from the day after the visit until the next. The
 * times are those of the place where it is opened. It says what is done and names nobody.
 */
final readonly class HomeCareCalendar
{
    private const MINUTES = 10;

    /**
     * @param  list<HandedOut>  $given
     * @param  string  $uid  of the visit
     * @param  CarbonImmutable  $from  the day of the visit
     * @param  CarbonImmutable|null  $until  the day of the next visit, where one is booked
     */
    public function write(
        array $given,
        HomeCareFigures $figures,
        string $uid,
        CarbonImmutable $from,
        ?CarbonImmutable $until,
        CarbonImmutable $now,
    ): string {
        return VObjects::quietly(static function () use ($given, $figures, $uid, $from, $until, $now): string {
            $calendar = new VCalendar(['PRODID' => '-//Somatrace//Home care//EN']);
            $first = $from->addDay()->startOfDay();
            $last = $until !== null && $until->greaterThan($first) ? $until->startOfDay() : $first->addDays($figures->calendarDays - 1);
            foreach ($given as $one) {
                $times = $figures->times($one->howOften);
                foreach ($times['at'] === [] ? [null] : $times['at'] as $time) {
                    $event = new VEvent($calendar, 'VEVENT', [
                        'UID' => "$uid-{$one->care->id}".($time === null ? '' : '-'.str_replace(':', '', $time)).'@somatrace',
                        'DTSTAMP' => $now->utc()->toDateTimeImmutable(), 'SUMMARY' => self::name($one).": {$one->dose}",
                        'DESCRIPTION' => implode("\n", [
                            "{$one->dose}, {$one->howOften}.",
                            ...array_map(static fn (string $step): string => "$step.", $one->care->steps),
                            ...array_filter([$figures->stop[$one->care->kind] ?? '']),
                        ]),
                        'TRANSP' => 'TRANSPARENT', 'CLASS' => 'PRIVATE',
                    ]);
                    if ($time === null) {
                        $event->add('DTSTART', $first->format('Ymd'), ['VALUE' => 'DATE']);
                    } else {
                        $at = $first->setTimeFromTimeString($time);
                        // without a zone: eight in the morning wherever the telephone is
                        $event->add('DTSTART', $at->format('Ymd\THis'));
                        $event->add('DTEND', $at->addMinutes(self::MINUTES)->format('Ymd\THis'));
                    }
                    $calendar->add($event);
                    $end = $last->format($time === null ? 'Ymd' : 'Ymd\T235959');
                    $event->add('RRULE', "FREQ=DAILY;INTERVAL={$times['every']};UNTIL=$end");
                }
            }

            return $calendar->serialize();
        });
    }

    private static function name(HandedOut $one): string
    {
        return $one->care->name.($one->side === null || $one->side->value === 'midline' ? '' : ", {$one->side->value}");
    }
}
