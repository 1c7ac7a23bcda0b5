<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Cases\Brought;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Exchange\CaseFile\CaseFormat;
use App\Exchange\Fhir\FhirBundle;
use App\Exchange\Fhir\FhirReader;
use App\Exchange\Findings\FindingRows;
use App\Exchange\Findings\FindingsCsv;
use App\Exchange\Findings\FindingsJsonLines;
use App\Exchange\Findings\MeasureRows;
use App\Exchange\Findings\MeasuresCsv;
use App\Exchange\Findings\MeasuresJsonLines;
use App\Models\Client;
use App\Models\Clinic;
use Carbon\CarbonImmutable;
use Somatrace\Core\Data\FaultyDocument;

/** The files in which the record of one client goes out and comes in. */
final readonly class ClientFiles
{
    /** Format → type, its name, what is in it, and who reads it. The name of the format is the end of the file's name. @phrases from 2 */
    public const FORMATS = [
        'case.json' => [
            'application/json', 'Case file', 'Everything known on one day, with the history', 'Another clinic that works with Somatrace',
        ],
        'fhir.json' => [
            'application/fhir+json', 'FHIR R4 bundle', 'Complaints, findings and treatment as resources', 'Other clinical programs',
        ],
        'findings.csv' => ['text/csv', 'Findings as a table', 'What was said, seen and felt: a finding a row', 'A spreadsheet'],
        'findings.jsonl' => ['application/jsonl', 'Findings as JSON Lines', 'The same, a finding a line', 'Programs that reckon'],
        'measures.csv' => ['text/csv', 'Measures as a table', 'What was measured: one number a row', 'A spreadsheet'],
        'measures.jsonl' => ['application/jsonl', 'Measures as JSON Lines', 'The same, one number a line', 'Programs that reckon'],
    ];

    public function __construct(
        private CaseFormat $case,
        private FhirBundle $fhir,
        private FhirReader $fhirReader,
        private FindingRows $findings,
        private FindingsCsv $findingsCsv,
        private FindingsJsonLines $findingsLines,
        private MeasureRows $measures,
        private MeasuresCsv $measuresCsv,
        private MeasuresJsonLines $measuresLines,
        private TreatmentSummary $treatment,
        private SoundRecords $sound,
    ) {
    }

    /** @return string|null null where there is no visit to tell of */
    public function write(string $format, Client $client, Clinic $clinic): ?string
    {
        $last = $client->visits()->latest('number')->first();
        if ($last === null) {
            return null;
        }
        $findings = $format === 'case.json' || $format === 'fhir.json' ? [] : $this->findings->of($client, $clinic->timezone);

        return match ($format) {
            'case.json' => $this->case->write($last),
            'fhir.json' => $this->fhir->write(
                ClientRecord::of($client, $clinic->timezone, $this->treatment, $this->sound), CarbonImmutable::now(),
            ),
            'findings.csv' => $this->findingsCsv->write($findings),
            'findings.jsonl' => $this->findingsLines->write($findings),
            'measures.csv' => $this->measuresCsv->write($this->measures->of($findings)),
            'measures.jsonl' => $this->measuresLines->write($this->measures->of($findings)),
            default => throw new \LogicException("no format is called $format"),
        };
    }

    /** @throws FaultyDocument with every fault and its place */
    public function read(string $format, string $text, Clinic $clinic): Brought
    {
        $today = $clinic->day(CarbonImmutable::now());

        return match ($format) {
            'case.json' => $this->checkedDay($this->case->read($text), $today),
            'fhir.json' => $this->fhirReader->read($text, $today)['brought'],
            'findings.csv' => $this->findings->brought($this->findingsCsv->read($text), $today),
            'findings.jsonl' => $this->findings->brought($this->findingsLines->read($text), $today),
            'measures.csv' => $this->findings->brought($this->measures->findings($this->measuresCsv->read($text)), $today, true),
            'measures.jsonl' => $this->findings->brought($this->measures->findings($this->measuresLines->read($text)), $today, true),
            default => throw new \LogicException("no format is called $format"),
        };
    }

    /** @throws FaultyDocument */
    private function checkedDay(Brought $brought, string $today): Brought
    {
        foreach ($brought->visits as $visit) {
            if ($visit->date > $today) {
                throw FaultyDocument::whole("{$visit->date} has not been yet: the file is of a later day than today");
            }
        }

        return $brought;
    }
}
