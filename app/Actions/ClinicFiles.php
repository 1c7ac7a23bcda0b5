<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\ClientDetails;
use App\Exchange\Calendar\AppointmentLine;
use App\Exchange\Calendar\AppointmentsCalendar;
use App\Exchange\Clients\ClientsCsv;
use App\Exchange\Clients\ClientsVcard;
use App\Exchange\PreviewRows;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\Right;
use App\Models\User;
use Carbon\CarbonImmutable;
use Somatrace\Core\Data\FaultyDocument;

/**
 * The files in which the clients and appointments of a clinic go out and come in; nothing clinical is in them.
 *
 * @phpstan-import-type Preview from PreviewRows
 */
final readonly class ClinicFiles
{
    /** Format → type, its name, what is in it, and who reads it. @phrases from 2 */
    public const FORMATS = [
        'clients.csv' => ['text/csv', 'Clients as a table', 'Names, days of birth, addresses, contacts: a client a row', 'A spreadsheet'],
        'clients.vcf' => ['text/vcard', 'Clients as vCards', 'The same, a card each', 'Address books'],
        'appointments.ics' => ['text/calendar', 'Appointments', 'Who is booked when, by code, without names', 'Calendars'],
    ];

    public function __construct(
        private ClientsCsv $csv,
        private ClientsVcard $vcard,
        private AppointmentsCalendar $calendar,
        private BringClients $clients,
        private BringAppointments $appointments,
    ) {
    }

    public function write(string $format, User $user): string
    {
        return match ($format) {
            'clients.csv' => $this->csv->write($this->all($user)),
            'clients.vcf' => $this->vcard->write($this->all($user)),
            'appointments.ics' => $this->calendar->write(
                self::lines(
                    Appointment::query()->where('clinic_id', $user->clinic_id)->with('client', 'user')->orderBy('starts_at')->lazy(),
                ),
                CarbonImmutable::now(),
            ),
            default => throw new \LogicException("no format is called $format"),
        };
    }

    /**
     * @return Preview
     *
     * @throws FaultyDocument with every fault and its place
     */
    public function preview(string $format, string $text, User $user): array
    {
        return match ($format) {
            'clients.csv' => $this->clients->preview($user, $this->csv->read($text)),
            'clients.vcf' => $this->clients->preview($user, $this->vcard->read($text)),
            'appointments.ics' => $this->appointments->preview($user, $this->calendar->read($text)),
            default => throw new \LogicException("no format is called $format"),
        };
    }

    /**
     * @return int how many were written
     *
     * @throws FaultyDocument
     */
    public function bring(string $format, string $text, User $user, string $digest): int
    {
        return match ($format) {
            'clients.csv' => $this->clients->handle($user, $this->csv->read($text), $digest),
            'clients.vcf' => $this->clients->handle($user, $this->vcard->read($text), $digest),
            'appointments.ics' => $this->appointments->handle($user, $this->calendar->read($text), $digest),
            default => throw new \LogicException("no format is called $format"),
        };
    }

    /**
     * @param  iterable<Appointment>  $appointments with client and user
     * @return \Generator<AppointmentLine>
     */
    public static function lines(iterable $appointments): \Generator
    {
        foreach ($appointments as $one) {
            yield new AppointmentLine(
                (string) $one->uid, $one->starts_at->utc(), $one->minutes, $one->client->code, $one->user->email, $one->status,
            );
        }
    }

    /** @return \Generator<array<string, mixed>> */
    private function all(User $user): \Generator
    {
        $clinical = $user->may(Right::ReadClinical);
        foreach (
            Client::query()
                ->where('clinic_id', $user->clinic_id)
                ->whereNull('erased_at')
                ->whereNull('merged_into_id')
                ->with('contacts')
                ->orderBy('code')
                ->lazy() as $client
        ) {
            // reception takes out what it may read
            yield $clinical
                ? ClientDetails::of($client)
                : [...ClientDetails::of($client), ...array_fill_keys(ClientDetails::CLINICAL, null)];
        }
    }
}
