<?php

declare(strict_types=1);

namespace App\Cases;

use App\Database\Busy;
use App\Models\Judgement;
use App\Models\Visit;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Pattern\Chain;

/** What the core says of a visit: read from the store while case and atlas are the same, computed and stored when they are not. */
final readonly class Judgements
{
    public function __construct(
        private Clinic $clinic,
        private CaseAssembler $cases,
        private SoundRecords $sound,
        private HandLoad $hands,
        private VisitNote $note,
    ) {
    }

    /**
     * @param  'safety'|'assessment'|'chains'|'pattern'|'plan'|'response'|'note'  ...$kinds
     * @return array<string, array<string, mixed>> one document a kind
     */
    public function of(Visit $visit, string ...$kinds): array
    {
        return $this->along(Course::of($visit, $this->sound, $this->hands), $visit, ...$kinds);
    }

    /**
     * The case is put together only when something it is made of has changed since.
     *
     * @param  'safety'|'assessment'|'chains'|'pattern'|'plan'|'response'|'note'  ...$kinds
     * @return array<string, array<string, mixed>> one document a kind
     */
    public function along(Course $course, Visit $visit, string ...$kinds): array
    {
        $stamp = $course->stamp();
        $stored = $visit->judgements()->whereIn('kind', $kinds)->where('atlas_version', $this->clinic->version())->get()->keyBy('kind');
        $case = null;
        $documents = [];
        foreach ($kinds as $kind) {
            $one = $stored->get($kind);
            if ($one === null || $one->stamp !== $stamp) {
                $case ??= $this->cases->of($visit);
                $hash ??= $this->clinic->writer()->hash($case);
                $documents[$kind] = $one !== null && $one->case_hash === $hash && $kind !== 'note'
                    ? $this->stamped($one, $stamp)
                    : $this->compute($visit, $case, $hash, $stamp, $kind);
            } else {
                $documents[$kind] = $one->document;
            }
        }

        return $documents;
    }

    /** @return array<string, mixed> something was written that changes nothing in the case, such as a text */
    private function stamped(Judgement $judgement, string $stamp): array
    {
        Busy::unless(static fn () => $judgement->update(['stamp' => $stamp]));

        return $judgement->document;
    }

    /** @return array<string, mixed> */
    private function compute(Visit $visit, CaseFile $case, string $hash, string $stamp, string $kind): array
    {
        $result = match ($kind) {
            'safety' => $this->clinic->screen($case)->toArray(),
            'assessment' => $this->assessment($case),
            'chains' => array_map(static fn (Chain $one): array => $one->toArray(), $this->clinic->chains($case)),
            'pattern' => $this->clinic->rank($case)->toArray(),
            'plan' => $this->clinic->plan($case)->toArray(),
            'response' => $this->clinic->respond($case)->toArray(),
            'note' => $this->note->judged($visit),
            default => throw new \InvalidArgumentException("no judgement is called \"$kind\""),
        };
        // through JSON once, so that a fresh result and a stored one are the same to a page
        $document = (array) json_decode(json_encode($result, JSON_THROW_ON_ERROR), true);
        $text = json_encode($document, JSON_THROW_ON_ERROR);
        Busy::unless(fn () => Judgement::query()->upsert(
            [[
                'visit_id' => $visit->id, 'kind' => $kind, 'case_hash' => $hash, 'stamp' => $stamp,
                'atlas_version' => $this->clinic->version(), 'document' => $text, 'decision' => $document['course']['decision'] ?? null,
            ]],
            ['visit_id', 'kind'],
            ['case_hash', 'stamp', 'atlas_version', 'document', 'decision'],
        ));

        return $document;
    }

    /** @return array<string, mixed> what to measure and feel, and what was measured beside the usual, the other side and before */
    private function assessment(CaseFile $case): array
    {
        return [
            'worklist' => $this->clinic->worklist($case)->toArray(),
            'compared' => array_map(static fn (Comparison $one): array => $one->toArray(), $this->clinic->compared($case)),
        ];
    }
}
