<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\VisitNote;
use App\Models\Visit;
use App\Support\FigureSvg;
use App\Support\Paper;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;
use Somatrace\Core\Record\Part;

/**
 * A signed note as it was signed, with every correction and what each one changed: to read, to print and as PDF with the figure. All of it
 * is read from the frozen case, not from what stands in the record by now.
 *
 * @phpstan-type Piece array{kind: 'same'|'added'|'removed', text: string}
 *
 * @phpstan-import-type NoteDocument from VisitNote
 */
final readonly class NotePage
{
    /** Own words, by the part of the note they stand in. */
    public const OWN = ['happened' => Part::Done, 'advice' => Part::HomeCare, 'next_time' => Part::Next];

    /** Parts of the paper that stand beside the figure, and leave it its room. */
    private const BESIDE_FIGURE = [Part::Reason, Part::Safety, Part::Found];

    public function __construct(private FigureSvg $figure, private Paper $paper, private VisitNote $notes)
    {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $visit->people();
        $clinic = $visit->user->clinic;
        $local = static fn (string $moment): string => $clinic->dateWords(CarbonImmutable::parse($moment, 'UTC'), true);
        $rows = DB::table('notes')
            ->join('users as signer', 'signer.id', '=', 'notes.signed_by')
            ->leftJoin('users as second', 'second.id', '=', 'notes.countersigned_by')
            ->where('visit_id', $visit->id)
            ->orderBy('revision')
            ->get(['notes.*', 'signer.name as signer', 'second.name as second'])->all();
        $revisions = [];
        $case = $results = [];
        $said = null;
        foreach ($rows as $row) {
            $case = (array) json_decode((string) $row->case_document, true);
            $results = (array) json_decode((string) $row->results, true);
            $note = $this->notes->signed($visit, $case, $results);
            $own = array_map(static fn (string $field): string => (string) $row->{$field}, self::fields());
            $says = self::says($note, $own);
            $revisions[] = [
                'revision' => (int) $row->revision, 'by' => (string) $row->signer, 'at' => $local((string) $row->signed_at),
                'reason' => $row->reason, 'atlas' => (string) $row->atlas_version, 'hash' => (string) $row->content_hash,
                'second' => $row->second === null ? null : "{$row->second}, ".$local((string) $row->countersigned_at),
                'waits' => (bool) $row->needs_countersign && $row->countersigned_at === null,
                'changed' => $said === null ? [] : $this->changed($said, $says),
            ];
            $said = $says;
        }

        return [
            'visit' => [
                'id' => $visit->public_id, 'number' => $visit->number, 'date' => $local((string) $visit->started_at),
                'minutes' => $visit->minutes,
            ],
            'client' => [
                'id' => $visit->client->public_id, 'name' => $visit->client->name, 'code' => $visit->client->code,
                'born' => $clinic->dateWords($visit->client->born_on),
            ],
            'clinic' => $clinic->name, 'therapist' => $visit->user->name, 'revisions' => array_reverse($revisions),
            'note' => $note ?? ['parts' => [], 'changes' => [], 'gone' => []],
            'own' => (object) self::byPart($own ?? []),
            'complaints' => $case['findings']['complaints'] ?? [], 'felt' => $case['findings']['palpation'] ?? [],
            'unreadable' => array_column((array) ($results['unreadable'] ?? []), 'what'),
        ];
    }

    public function pdf(Visit $visit): string
    {
        $page = $this->of($visit);
        $parts = array_column($page['note']['parts'], null, 'id');
        $own = (array) $page['own'];
        $told = [];
        foreach (Part::cases() as $part) {
            $sentences = [
                ...array_column($parts[$part->value]['sentences'] ?? [], 'text'), ...array_filter([(string) ($own[$part->value] ?? '')]),
            ];
            if ($sentences !== []) {
                $told[$part->value] = ['heading' => $part->heading(), 'sentences' => $sentences];
            }
        }

        return $this->paper->pdf('papers.note', [
            ...$page, 'told' => $told, 'beside' => array_map(
                static fn (Part $part): string => $part->value, self::BESIDE_FIGURE,
            ), 'figure' => $this->figure->of($page['complaints'], $page['felt']),
        ]);
    }

    /** @return array<string, string> */
    private static function fields(): array
    {
        return array_combine(array_keys(self::OWN), array_keys(self::OWN));
    }

    /**
     * @param  array<string, string>  $own
     * @return array<string, string>
     */
    private static function byPart(array $own): array
    {
        $by = [];
        foreach (array_filter($own, static fn (string $text): bool => trim($text) !== '') as $field => $text) {
            $by[self::OWN[$field]->value] = $text;
        }

        return $by;
    }

    /**
     * @param  NoteDocument  $note
     * @param  array<string, string>  $own
     * @return array<string, array{heading: string, text: string}> every sentence that can be corrected, by name
     */
    private static function says(array $note, array $own): array
    {
        $says = [];
        foreach ($note['parts'] as $part) {
            foreach ($part['sentences'] as $one) {
                $says[$one['id']] = ['heading' => $part['heading'], 'text' => $one['text']];
            }
        }
        foreach (self::OWN as $field => $part) {
            $says[$field] = ['heading' => $part->heading(), 'text' => $own[$field] ?? ''];
        }

        return $says;
    }

    /**
     * @param  array<string, array{heading: string, text: string}>  $before
     * @param  array<string, array{heading: string, text: string}>  $after
     * @return list<array{heading: string, pieces: list<Piece>}>
     */
    private function changed(array $before, array $after): array
    {
        $changed = [];
        foreach ($after as $id => $one) {
            $was = $before[$id]['text'] ?? '';
            if ($was !== $one['text']) {
                $changed[] = ['heading' => $one['heading'], 'pieces' => $this->difference($was, $one['text'])];
            }
        }

        return $changed;
    }

    /** @return list<Piece> word by word */
    private function difference(string $before, string $after): array
    {
        $split = static fn (string $text): array => preg_split('/(?<=\s)/u', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $pieces = [];
        foreach ((new Differ(new UnifiedDiffOutputBuilder))->diffToArray($split($before), $split($after)) as [$word, $state]) {
            $kind = match ($state) {
                Differ::ADDED => 'added', Differ::REMOVED => 'removed', default => 'same',
            };
            $at = array_key_last($pieces);
            if ($at !== null && $pieces[$at]['kind'] === $kind) {
                $pieces[$at]['text'] .= $word;
            } else {
                $pieces[] = ['kind' => $kind, 'text' => (string) $word];
            }
        }

        return $pieces;
    }
}
