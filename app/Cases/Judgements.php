<?php

declare(strict_types=1);

namespace App\Cases;

use App\Database\Busy;
use App\Models\Judgement;
use App\Models\Visit;
use Illuminate\Support\Facades\App;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Pattern\Chain;

/** What the core says of a visit: read from the store while case and atlas are the same, computed and stored when they are not. */
final class Judgements
{
    /**
     * @var array<string, array{visit_id: int, kind: string, case_hash: string, stamp: string, atlas_version: string, document: string,
     * decision: string|null}> rows that wait to be stored, by visit and kind
     */
    private array $fresh = [];

    public function __construct(
        private readonly Clinic $clinic,
        private readonly CaseAssembler $cases,
        private readonly SoundRecords $sound,
        private readonly HandLoad $hands,
        private readonly VisitNote $note,
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
            $fresh = $this->fresh["$visit->id $kind"] ?? null;
            if ($one !== null && $one->stamp === $stamp) {
                $documents[$kind] = $one->document;
            } elseif ($fresh !== null && $fresh['stamp'] === $stamp) {
                $documents[$kind] = (array) json_decode($fresh['document'], true);
            } else {
                $case ??= $this->cases->of($visit);
                $hash ??= $this->clinic->writer()->hash($case);
                // something may have been written that changes nothing in the case, such as a text
                $documents[$kind] = $one !== null && $one->case_hash === $hash && $kind !== 'note'
                    ? $one->document
                    : $this->computed($visit, $case, $kind);
                $this->fresh["$visit->id $kind"] = [
                    'visit_id' => $visit->id, 'kind' => $kind, 'case_hash' => $hash, 'stamp' => $stamp,
                    'atlas_version' => $this->clinic->version(), 'document' => json_encode($documents[$kind], JSON_THROW_ON_ERROR),
                    'decision' => $documents[$kind]['course']['decision'] ?? null,
                ];
            }
        }
        $this->store();

        return $documents;
    }

    /** Nobody waits for it: what is asked over HTTP is answered first. */
    private function store(): void
    {
        $write = function (): void {
            $rows = array_values($this->fresh);
            $this->fresh = [];
            if ($rows !== []) {
                Busy::unless(static fn () => Judgement::query()->upsert(
                    $rows, ['visit_id', 'kind'], ['case_hash', 'stamp', 'atlas_version', 'document', 'decision'],
                ));
            }
        };
        if (App::runningInConsole()) {
            $write();
        } elseif ($this->fresh !== []) {
            App::terminating($write);
        }
    }

    /** @return array<string, mixed> through JSON once, so that a fresh result and a stored one are the same to a page */
    private function computed(Visit $visit, CaseFile $case, string $kind): array
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

        return (array) json_decode(json_encode($result, JSON_THROW_ON_ERROR), true);
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
