<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Exchange\EntryWords;
use App\Models\EntryKind;
use App\Models\Visit;
use App\Support\FigureSvg;
use App\Support\Paper;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;

/**
 * A signed note as it was signed, with every correction and what each one changed: to read, to print and as PDF with the figure. All of it
 * is read from the frozen case, not from what stands in the record by now.
 *
 * @phpstan-type Piece array{kind: 'same'|'added'|'removed', text: string}
 */
final readonly class NotePage
{
    public const FIELDS = ['happened' => 'What happened', 'advice' => 'Advice', 'next_time' => 'Next time'];

    public function __construct(private FigureSvg $figure, private Paper $paper, private EntryWords $words)
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
        foreach ($rows as $index => $row) {
            $before = $rows[$index - 1] ?? null;
            $revisions[] = [
                'revision' => (int) $row->revision, 'by' => (string) $row->signer, 'at' => $local((string) $row->signed_at),
                'reason' => $row->reason, 'atlas' => (string) $row->atlas_version, 'hash' => (string) $row->content_hash,
                'second' => $row->second === null ? null : "{$row->second}, ".$local((string) $row->countersigned_at),
                'waits' => (bool) $row->needs_countersign && $row->countersigned_at === null,
                'fields' => array_map(
                    fn (string $field): array => $this->difference(
                        $before === null ? null : (string) $before->{$field}, (string) $row->{$field},
                    ),
                    array_combine(array_keys(self::FIELDS), array_keys(self::FIELDS)),
                ),
            ];
        }
        $last = end($rows);
        $case = $last === false ? [] : (array) json_decode((string) $last->case_document, true);
        $results = $last === false ? [] : (array) json_decode((string) $last->results, true);

        return [
            'visit' => [
                'id' => $visit->public_id, 'number' => $visit->number, 'date' => $local((string) $visit->started_at),
                'minutes' => $visit->minutes,
            ],
            'client' => [
                'id' => $visit->client->public_id, 'name' => $visit->client->name, 'code' => $visit->client->code,
                'born' => $clinic->dateWords($visit->client->born_on),
            ],
            'clinic' => $clinic->name, 'therapist' => $visit->user->name, 'revisions' => array_reverse($revisions), 'names' => self::FIELDS,
            'complaints' => $case['findings']['complaints'] ?? [], 'felt' => $case['findings']['palpation'] ?? [],
            'found' => $this->found($case), 'done' => array_map($this->worked(...), (array) ($results['done'] ?? [])),
            'unreadable' => array_column((array) ($results['unreadable'] ?? []), 'what'),
            'agreed' => array_map(
                fn (array $one): string => str_replace('_', ' ', (string) $one['area']).': '.($one['given'] ? 'yes' : 'no').(
                    isset($one['but']) ? ", but {$one['but']}" : ''
                ),
                (array) ($case['consent'] ?? []),
            ),
        ];
    }

    public function pdf(Visit $visit): string
    {
        $page = $this->of($visit);
        $list = static fn (string $head, array $lines): string => $lines === []
            ? ''
            : '<h3 style="margin: 10pt 0 2pt">'.e($head).'</h3><ul style="margin: 0; padding-left: 14pt">'.implode(
                '', array_map(static fn (string $line): string => '<li>'.e($line).'</li>', $lines),
            ).'</ul>';
        $html = '<p style="color: #5a4a3c">'.e($page['clinic']).'</p><h1 style="font-size: 17pt; margin: 0">'.e(
            "{$page['client']['name']} ({$page['client']['code']})",
        ).'</h1>'
            .'<p style="margin: 0 0 8pt">'.e(
                "born {$page['client']['born']} · visit {$page['visit']['number']}, {$page['visit']['date']} · {$page['therapist']}",
            ).'</p>'

                .'<table style="width: 100%"><tr><td style="width: 46%; vertical-align: top"><img style="width: 7.6cm" src="data:image/svg+xml;base64,'
                .base64_encode($this->figure->of(
                    $page['complaints'], $page['felt'],
                )).'"/>'

                .'<p style="font-size: 8pt; color: #5a4a3c">Shaded: where it hurts. Rings: tender, the thicker the more; filled: the client’s own pain. Left is the client’s left.</p></td><td style="vertical-align: top">';
        foreach ($page['revisions'] as $revision) {
            $html .= $this->revision($revision, $revision === $page['revisions'][0]);
        }

        return $this->paper->pdf(
            $html.'</td></tr></table>'.$list('Found', $page['found']).$list('Done', $page['done']).$list('Agreed', $page['agreed']).$list(
                'Stored, not readable any more, and no part of this', $page['unreadable'],
            ),
        );
    }

    /** @param  array<string, mixed>  $revision */
    private function revision(array $revision, bool $last): string
    {
        $html = '<p style="margin: 6pt 0 2pt"><b>'.e(
            ($revision['revision'] === 1 ? 'Signed' : 'Correction '.($revision['revision'] - 1))." by {$revision['by']}, {$revision['at']}",
        ).'</b>'.($revision['reason'] === null ? '' : '<br/>'.e("Why: {$revision['reason']}"))
            .(
                $revision['second'] === null
                    ? ($revision['waits'] ? '<br/>A supervisor’s name is still missing.' : '')
                    : '<br/>'.e("Countersigned by {$revision['second']}")
            ).'</p>';
        foreach (self::FIELDS as $field => $name) {
            /** @var list<Piece> $pieces */
            $pieces = $revision['fields'][$field];
            $changed = array_filter($pieces, static fn (array $piece): bool => $piece['kind'] !== 'same') !== [];
            if ($last || $changed || $revision['revision'] === 1) {
                $html .= '<p style="margin: 2pt 0"><b>'.e($name).'.</b> '
                    .($pieces === [] ? '–' : implode('', array_map(static fn (array $piece): string => match ($piece['kind']) {
                        'same' => nl2br(e($piece['text'])), 'added' => '<u>'.nl2br(e($piece['text'])).'</u>',
                        'removed' => '<s style="color: #7d7265">'.nl2br(e($piece['text'])).'</s>',
                    }, $pieces))).'</p>';
            }
        }

        return $html.'<p style="font-size: 7pt; color: #7d7265">'.e(
            "Atlas {$revision['atlas']} · ".chunk_split((string) $revision['hash'], 16, ' '),
        ).'</p>';
    }

    /** @return list<Piece> word by word; a first revision has nothing to differ from */
    private function difference(?string $before, string $after): array
    {
        $split = static fn (string $text): array => preg_split('/(?<=\s)/u', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if ($before === null || $before === $after) {
            return $after === '' ? [] : [['kind' => 'same', 'text' => $after]];
        }
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

    private function worked(mixed $one): string
    {
        $told = array_diff_key((array) $one, ['seconds_at_pressure' => true, 'dose_kpa_s' => true]);

        return $this->words->name(EntryKind::Done, EntryKind::Done->nameOf($one, null)).': '.$this->words->value(EntryKind::Done, $told);
    }

    /**
     * @param  array<array-key, mixed>  $case
     * @return list<string>
     */
    private function found(array $case): array
    {
        $lines = [];
        $nothing = [];
        foreach (EntryKind::cases() as $kind) {
            foreach (
                $kind->isFinding() && $kind !== EntryKind::Feedback ? (array) ($case['findings'][$kind->findingsKey()] ?? []) : [] as $one
            ) {
                $about = $kind->nameOf($one, null);
                $silent = self::silent($kind, (array) $one);
                if ($silent !== null) {
                    $nothing[$silent][] = explode(': ', $this->words->name($kind, $about), 2)[1] ?? $about;

                    continue;
                }
                $value = $this->words->value($kind, $one);
                $lines[] = $this->words->name($kind, $about).($value === '' ? '' : ": $value");
            }
        }

        // what was looked for and is not there says something, in one line and not in fourteen
        return [
            ...$lines,
            ...array_map(static fn (string $what, array $names): string => "$what: ".implode('; ', $names), array_keys($nothing), $nothing),
        ];
    }

    /**
     * Under which line an entry is told that says only that nothing is there; null where it says more.
     *
     * @param  array<array-key, mixed>  $one
     */
    private static function silent(EntryKind $kind, array $one): ?string
    {
        $said = array_diff_key($one, array_flip($kind->nameKeys()));

        return match (true) {
            $kind === EntryKind::Posture && ($one['grade'] ?? null) == 0 => 'Looked for, and not there',
            $kind === EntryKind::Palpation && array_keys($said) === ['tenderness'] && $said['tenderness'] == 0 => 'Felt, and not tender',
            default => null,
        };
    }
}
