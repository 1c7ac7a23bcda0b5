<?php

declare(strict_types=1);

namespace App\Exchange\Calendar;

use App\Exchange\VObjects;
use Carbon\CarbonImmutable;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\DateTimeParser;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Splitter\ICalendar as Splitter;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/**
 * Appointments as a calendar (RFC 5545). A calendar wanders to telephones: it carries the code of a client, never the name, and no reason.
 */
final readonly class AppointmentsCalendar
{
    private const STATUSES = [
        'booked' => 'CONFIRMED', 'arrived' => 'CONFIRMED', 'done' => 'CONFIRMED', 'cancelled' => 'CANCELLED', 'missed' => 'CONFIRMED',
    ];

    /** @param  iterable<AppointmentLine>  $lines */
    public function write(iterable $lines, CarbonImmutable $now): string
    {
        return VObjects::quietly(static function () use ($lines, $now): string {
            $calendar = new VCalendar(['PRODID' => '-//Somatrace//Appointments//EN']);
            foreach ($lines as $line) {
                $calendar->add('VEVENT', [
                    'UID' => $line->uid, 'DTSTAMP' => $now->utc()->toDateTimeImmutable(),
                    'DTSTART' => $line->at->utc()->toDateTimeImmutable(),
                    'DTEND' => $line->at->addMinutes($line->minutes)->utc()->toDateTimeImmutable(), 'SUMMARY' => "Visit {$line->code}",
                    'STATUS' => self::STATUSES[$line->status], 'CLASS' => 'PRIVATE', 'X-SOMATRACE-CLIENT' => $line->code,
                    'X-SOMATRACE-THERAPIST' => $line->therapist, 'X-SOMATRACE-STATUS' => $line->status,
                ]);
            }

            return $calendar->serialize();
        });
    }

    /**
     * @return list<AppointmentLine>
     *
     * @throws FaultyDocument every fault at its event
     */
    public function read(string $text): array
    {
        $lines = [];
        $faults = [];
        $number = 0;
        foreach (VObjects::split($text, static fn ($stream): Splitter => new Splitter($stream), 'calendar') as $calendar) {
            foreach ($calendar->select('VEVENT') as $event) {
                $number++;
                $line = $event instanceof VEvent ? VObjects::reading(fn (): AppointmentLine|string => $this->line($event)) : 'is no event';
                is_string($line) ? $faults[] = new Fault("event $number", $line) : $lines[] = $line;
            }
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }

        return $lines !== [] ? $lines : throw FaultyDocument::whole('no event in it');
    }

    private function line(VEvent $event): AppointmentLine|string
    {
        $told = static fn (string $name): string => isset($event->{$name}) ? trim((string) $event->{$name}) : '';
        $start = $told('DTSTART');
        if (isset($event->RRULE)) {
            return 'repeats; each appointment stands for itself here';
        }
        if (preg_match('/^\d{8}T\d{6}Z?$/', $start) !== 1) {
            return 'DTSTART must be a moment, such as 20260309T140000Z';
        }
        $code = $told('X-SOMATRACE-CLIENT') !== ''
            ? $told('X-SOMATRACE-CLIENT')
            : (preg_match('/\b[A-Z]{1,3}-\d{2,}\b/', $told('SUMMARY'), $found) === 1 ? $found[0] : '');
        $moment = static fn (string $name): CarbonImmutable => ($property = $event->{$name}) instanceof DateTime
            ? CarbonImmutable::instance($property->getDateTime())
            : throw new \LogicException("$name is no moment");
        $at = $moment('DTSTART');
        $end = isset($event->DTEND)
            ? $moment('DTEND')
            : (isset($event->DURATION) ? $at->add(DateTimeParser::parseDuration($told('DURATION'))) : $at);
        $minutes = (int) round($at->diffInMinutes($end));
        $status = $told('X-SOMATRACE-STATUS') !== ''
            ? $told('X-SOMATRACE-STATUS')
            : ($told('STATUS') === 'CANCELLED' ? 'cancelled' : 'booked');

        return match (true) {
            // the package gives an event without a name one of its own, another as soon as a word of it changes
            $told('UID') === '' || str_ends_with($told('UID'), '-vobjectimport') => 'has no UID, so it could never be told from another',
            $code === '' => 'names no client by code, in X-SOMATRACE-CLIENT or in its summary',
            $minutes < 10 || $minutes > 180 => "lasts $minutes minutes; 10 to 180 are possible",
            ! isset(self::STATUSES[$status])
                => "\"$status\" is no state of an appointment; known are ".implode(', ', array_keys(self::STATUSES)),
            default => new AppointmentLine($told('UID'), $at->utc(), $minutes, $code, $told('X-SOMATRACE-THERAPIST'), $status),
        };
    }
}
