<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Client;
use App\Models\EntryKind;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Record\ProgressReport;
use Somatrace\Core\Record\ProgressWriter;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Record\Wording;

/**
 * What a course has come to, up to the last visit that has ended.
 *
 * @phpstan-type Moment array{date: string, complaints: list<mixed>, felt: list<mixed>}
 */
final readonly class CourseReport
{
    public function __construct(
        private Clinic $clinic,
        private CaseAssembler $cases,
        private TreatmentSummary $treatment,
        private SoundRecords $sound,
    ) {
    }

    /** @return Visit|null the last that has ended; null where none has */
    public function last(Client $client): ?Visit
    {
        return $client->visits()->where('status', '!=', VisitStatus::Open)->latest('number')->first()?->setRelation('client', $client);
    }

    public function of(Visit $last, User $reader, bool $toClient, Wording $wording): ProgressReport
    {
        $this->sound->look([$last->id]);
        $case = $this->cases->of($last);
        $terms = new Terms(
            $this->clinic->atlas(), $wording, $reader->clinic->dateForm(), $reader->pressureUnit(), $toClient,
        );
        $done = array_map(
            static fn (array $one): Done => Done::from(Fields::of($one)), $this->treatment->doneByVisit([$last->id])[$last->id] ?? [],
        );

        return (new ProgressWriter($terms, $toClient))->of($case, $this->clinic->respond($case), $done);
    }

    /**
     * Where it hurt and what was tender on arriving, when it began and at the last.
     *
     * @return array{first: Moment, last: Moment}|null null with one visit
     */
    public function figures(Visit $last): ?array
    {
        $first = Visit::query()->where('client_id', $last->client_id)->orderBy('number')->first();
        if ($first === null || $first->id === $last->id) {
            return null;
        }
        $rows = EntryRows::of([$first->id, $last->id]);
        $told = static fn (Visit $visit): array => [
            'date' => $visit->day(), 'complaints' => $rows->ofVisit($visit->id)->payloads(EntryKind::Complaint),
            'felt' => $rows->ofVisit($visit->id)->payloads(EntryKind::Palpation),
        ];

        return ['first' => $told($first->setRelation('user', $last->user)), 'last' => $told($last)];
    }
}
