<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Actions\ClinicFiles;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Exchange\Calendar\AppointmentsCalendar;
use App\Exchange\CaseFile\CaseFormat;
use App\Exchange\ClientFiles;
use App\Exchange\ClientRecord;
use App\Exchange\Progress;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\Clinic;
use App\Models\NoteRemark;
use App\Models\ReportWords;
use App\Models\Visit;
use Carbon\CarbonImmutable;

/** Everything that is known of one client, in one archive: what anybody may ask for about themselves. */
final readonly class ClientArchive
{
    private const LEFT_SECONDS = 3600;

    public function __construct(
        private ClientFiles $files,
        private CaseFormat $case,
        private TreatmentSummary $treatment,
        private SoundRecords $sound,
        private NotePage $notes,
        private AuditPage $audit,
        private AppointmentsCalendar $calendar,
        private Progress $progress,
    ) {
    }

    /** @return string path of a file that the caller deletes */
    public function handle(Client $client, Clinic $clinic): string
    {
        // an archive whose download broke off would lie here for ever
        foreach (glob(storage_path('framework/cache/export*')) ?: [] as $left) {
            if (filemtime($left) < time() - self::LEFT_SECONDS) {
                @unlink($left);
            }
        }
        $path = (string) tempnam(storage_path('framework/cache'), 'export');
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::OVERWRITE) !== true) {
            throw new \RuntimeException('no archive could be made');
        }
        $record = ClientRecord::of($client, $clinic->timezone, $this->treatment, $this->sound);
        $zip->addFromString('client.json', json_encode($record->details, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE));
        foreach (array_keys(ClientFiles::FORMATS) as $format) {
            $text = $format === 'case.json' ? null : $this->files->write($format, $client, $clinic);
            if ($text !== null) {
                $zip->addFromString($format, $text);
            }
        }
        $visits = $client->visits()->orderBy('number')->get();
        foreach ($visits as $index => $visit) {
            $this->progress->tell(__('visits'), $index + 1, count($visits));
            $this->visit($zip, $visit, sprintf('visits/%03d-%s', $visit->number, $clinic->day($visit->started_at)));
        }
        $zip->addFromString(
            'appointments.ics',
            $this->calendar->write(
                ClinicFiles::lines(
                    Appointment::query()->where('client_id', $client->id)->with('client', 'user')->orderBy('starts_at')->get(),
                ),
                CarbonImmutable::now(),
            ),
        );
        $zip->addFromString('audit.csv', $this->audit->csv($clinic, ['client' => $client->id]));
        $zip->addFromString(
            'READ ME.txt',
            "Everything {$clinic->name} holds about {$client->name} ({$client->code}), taken out on {$clinic->day(CarbonImmutable::now())}.\n\nclient.json: who, and whom to call\nvisits/: each visit as a case file, each signed note as it was signed, and what was added to a report\nfhir.json: the record for other clinical programs\nfindings, measures: tables and lines of everything found\nappointments.ics: visits booked\naudit.csv: who saw or changed the record\n",
        );
        $zip->close();

        return $path;
    }

    private function visit(\ZipArchive $zip, Visit $visit, string $name): void
    {
        $zip->addFromString("$name.case.json", $this->case->write($visit));
        foreach (ReportWords::query()->where('visit_id', $visit->id)->where('words', '!=', '')->orderBy('reader')->get() as $own) {
            $zip->addFromString("$name.report-to-{$own->reader}.txt", "$own->words\n");
        }
        foreach (NoteRemark::query()->where('visit_id', $visit->id)->orderBy('revision')->get() as $remark) {
            $zip->addFromString("$name.note-{$remark->revision}-given-back.txt", "$remark->words\n");
        }
        if ($visit->isSigned()) {
            $zip->addFromString("$name.note.pdf", $this->notes->pdf($visit));
        }
    }
}
