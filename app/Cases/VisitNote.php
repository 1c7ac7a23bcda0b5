<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Entry;
use App\Models\EntryKind;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\HomeCare\Advice;
use Somatrace\Core\HomeCare\Possible;
use Somatrace\Core\Record\Agreement;
use Somatrace\Core\Record\ComposedNote;
use Somatrace\Core\Record\HandedOut;
use Somatrace\Core\Record\Reaction;
use Somatrace\Core\Record\Terms;
use Somatrace\Core\Record\VisitRecord;
use Somatrace\Core\Record\Wording;
use Somatrace\Core\Record\Worked;
use Somatrace\Core\Record\WorkReader;
use Somatrace\Core\Treatment\AgreedStep;
use Somatrace\Core\Treatment\Fold;

/**
 * The note of a visit: composed from its record, with the sentences the therapist changed in their place.
 *
 * @phpstan-type Line array{id: string, text: string, sources: list<array{step: string, name: string}>, composed?: string, stale?: bool}
 * @phpstan-type Proposal array{days: int|null, minutes: int|null, reason: string, because: string}
 * @phpstan-type NoteDocument array{parts: list<array{id: string, heading: string, sentences: list<Line>}>,
 *     changes: list<array<string, mixed>>, next?: Proposal, gone: list<array{id: string, text: string}>}
 */
final readonly class VisitNote
{
    public function __construct(
        private Clinic $clinic,
        private CaseAssembler $cases,
        private TreatmentSummary $treatment,
    ) {
    }

    /**
     * To read and to change: a changed sentence has what was composed beside it, and says where that is another by now.
     *
     * @param  array<string, mixed>  $composed
     * @param  iterable<Entry>  $entries  of the visit
     * @return NoteDocument
     */
    public function changed(array $composed, iterable $entries): array
    {
        // what could be given for home stands beside the note, and is no part of it
        unset($composed['home'], $composed['home_choices']);

        /**
         * @var array{parts: list<array{id: string, heading: string, sentences: list<Line>}>, changes: list<array<string, mixed>>,
         * next?: Proposal} $composed
         */
        return $this->withMine($composed, $this->mine($entries));
    }

    /**
     * As it is signed: the words that stand, and no others.
     *
     * @param  array<string, mixed>  $composed
     * @return NoteDocument
     */
    public function final(Visit $visit, array $composed): array
    {
        $note = $this->changed($composed, $visit->readable()->where('kind', EntryKind::Sentence)->get());
        $parts = [];
        foreach ($note['parts'] as $part) {
            $said = [];
            foreach ($part['sentences'] as $one) {
                if (trim($one['text']) !== '') {
                    unset($one['stale']);
                    $said[] = $one;
                }
            }
            if ($said !== []) {
                $parts[] = ['id' => $part['id'], 'heading' => $part['heading'], 'sentences' => $said];
            }
        }

        return [...$note, 'parts' => $parts, 'gone' => []];
    }

    /**
     * A note as it was signed; one that was signed before notes were composed is composed of what was frozen with it.
     *
     * @param  array<string, mixed>  $case
     * @param  array<string, mixed>  $results
     * @return NoteDocument
     */
    public function signed(Visit $visit, array $case, array $results): array
    {
        /** @var NoteDocument|null $note */
        $note = $results['note'] ?? null;
        if ($note !== null) {
            return $note;
        }
        if (! isset($case['as_of'])) {
            return ['parts' => [], 'changes' => [], 'gone' => []];
        }
        $done = array_values(array_filter((array) ($results['done'] ?? []), is_array(...)));
        $composed = $this->clinic->note(new VisitRecord(
            $this->clinic->reader()->hydrate($case), worked: array_map(WorkReader::told(...), $done, array_keys($done)),
            agreements: $this->agreedTo([], (array) ($case['consent'] ?? [])),
        ), $this->terms($visit));

        return [...$composed->toArray(), 'gone' => []];
    }

    /** @return array<string, mixed> the composed note, and what could be given for home */
    public function judged(Visit $visit): array
    {
        $record = $this->record($visit);

        return [
            ...$this->clinic->note($record, $this->terms($visit))->toArray(), 'home' => $this->offers(
                $visit, $record->case, $record->worked,
            ),
            'home_choices' => array_map(static fn (Possible $one): array => $one->toArray(), $this->clinic->everyHomeCare($record->case)),
        ];
    }

    /** The same for the client: in plain words, and spoken to. */
    public function forClient(Visit $visit): ComposedNote
    {
        return $this->clinic->note($this->record($visit), $this->terms($visit, true));
    }

    /** With the words, dates and units that the clinic writes. */
    private function terms(Visit $visit, bool $toClient = false): Terms
    {
        $visit->people();
        $clinic = $visit->user->clinic;
        $words = $visit->user->setting('note_words');

        return new Terms(
            $this->clinic->atlas(), $toClient ? Wording::Plain : Wording::tryFrom(is_string($words) ? $words : '') ?? Wording::Both,
            $clinic->dateForm(), $visit->user->pressureUnit(), $toClient,
        );
    }

    public function record(Visit $visit): VisitRecord
    {
        $visit->people();
        $document = $this->cases->document($visit);
        $reader = $this->clinic->reader();
        $rows = EntryRows::of([$visit->id]);
        $plans = AgreedPlans::of($visit->id);
        $state = Fold::of($plans->steps, TableEvents::events(TableEvents::rows([$visit->id])[$visit->id] ?? []));
        $agreed = array_values(array_map(AgreedStep::from(...), $plans->last['steps'] ?? []));
        $told = $this->treatment->record($visit);
        $worked = WorkReader::worked(array_values(array_map(AgreedStep::from(...), $plans->steps)), $state);

        return new VisitRecord(
            $reader->hydrate($document), $reader->hydrate([...$document, 'findings' => $this->cases->findingsAfter($rows)])->findings,
            $worked === [] ? array_map(WorkReader::told(...), $told['done'], array_keys($told['done'])) : $worked,
            WorkReader::passedOver($agreed, $state), array_map(
                static fn (array $one): Reaction => new Reaction(
                    $one['sign'], CarbonImmutable::parse($one['at'])->setTimezone($visit->user->clinic->timezone)->format('H:i')
                        .($one['by_server'] ? ' (the tablet’s clock was off)' : ''),
                    $one['muscle'], Side::tryFrom($one['side'] ?? ''), $one['slip'],
                ),
                $told['signs'],
            ),
            $this->agreedTo($rows->payloads(EntryKind::Guardian), $rows->payloads(EntryKind::Consent)), $agreed,
            array_column(array_filter(
                $plans->last['left_out'] ?? [], static fn (array $one): bool => ($one['reason'] ?? null) === 'unfelt',
            ), 'name'),
            $this->handedOut($rows), $worked === [] ? [] : $this->clinic->tableside()->after($plans->last), $state->isStopped,
        );
    }

    /** @return list<HandedOut> */
    private function handedOut(EntryRows $rows): array
    {
        $handed = [];
        foreach ($rows->payloads(EntryKind::HomeCare) as $one) {
            $care = is_array($one) ? $this->clinic->atlas()->handbook()->selfCare[(string) $one['exercise']] ?? null : null;
            if ($care !== null) {
                $handed[] = new HandedOut(
                    $care, Side::tryFrom((string) ($one['side'] ?? '')), (string) ($one['dose'] ?? $care->dose),
                    (string) ($one['how_often'] ?? $care->howOften),
                );
            }
        }

        return $handed;
    }

    /**
     * What could be given for home, beside the note.
     *
     * @param  list<Worked>  $worked
     * @return list<array<string, mixed>>
     */
    private function offers(Visit $visit, CaseFile $case, array $worked): array
    {
        $muscles = [];
        foreach ($worked as $one) {
            if ($one->kind === 'treat' && $one->muscle !== null) {
                $muscles[] = new MuscleAt($one->muscle, $one->side);
            }
        }
        $last = $visit->earlier()->whereIn('status', [VisitStatus::Signed, VisitStatus::Stopped])->latest('number')->first(['id']);
        $before = $last === null ? [] : array_column(EntryRows::of([$last->id])->payloads(EntryKind::HomeCare), 'exercise');

        return array_map(static fn (Advice $one): array => $one->toArray(), $this->clinic->homeCare($case, $muscles, $before));
    }

    /**
     * @param  array<array-key, mixed>  $guardians
     * @param  array<array-key, mixed>  $consents
     * @return list<Agreement>
     */
    private function agreedTo(array $guardians, array $consents): array
    {
        $agreements = [];
        foreach ($guardians as $one) {
            if (is_array($one)) {
                $agreements[] = new Agreement((string) ($one['name'] ?? ''), $one['given'] === true, byGuardian: true);
            }
        }
        foreach ($consents as $one) {
            if (is_array($one)) {
                $agreements[] = new Agreement(
                    (string) $one['area'], $one['given'] === true, is_string($one['but'] ?? null) ? $one['but'] : null,
                );
            }
        }

        return $agreements;
    }

    /**
     * @param  iterable<Entry>  $entries
     * @return array<string, array{text: string, from: string}> by sentence
     */
    private function mine(iterable $entries): array
    {
        $mine = [];
        foreach ($entries as $entry) {
            $payload = $entry->kind === EntryKind::Sentence ? $entry->payload : null;
            if (is_array($payload) && is_string($payload['from'] ?? null)) {
                $mine[$entry->identity] = [
                    'text' => is_string($payload['text'] ?? null) ? $payload['text'] : '', 'from' => $payload['from'],
                ];
            }
        }

        return $mine;
    }

    /**
     * @param  array{parts: list<array{id: string, heading: string, sentences: list<Line>}>, changes: list<array<string, mixed>>,
     * next?: Proposal}  $note
     * @param  array<string, array{text: string, from: string}>  $mine
     * @return NoteDocument
     */
    private function withMine(array $note, array $mine): array
    {
        $parts = [];
        foreach ($note['parts'] as $part) {
            $sentences = [];
            foreach ($part['sentences'] as $one) {
                $own = $mine[$one['id']] ?? null;
                unset($mine[$one['id']]);
                $sentences[] = $own === null ? $one : [
                    ...$one, 'text' => $own['text'], 'composed' => $one['text'], 'stale' => $own['from'] !== $one['text'],
                ];
            }
            $parts[] = [...$part, 'sentences' => $sentences];
        }
        // what they were about is no longer in the record; the words are not lost
        $gone = array_filter($mine, static fn (array $one): bool => trim($one['text']) !== '');

        return [
            ...$note, 'parts' => $parts,
            'gone' => array_map(
                static fn (string $id, array $one): array => ['id' => $id, 'text' => $one['text']], array_keys($gone), $gone,
            ),
        ];
    }
}
