<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CaseAssembler;
use App\Cases\EntryRows;
use App\Models\EntryKind;
use App\Models\Visit;
use Somatrace\Core\Clinic;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;

/** The assessment on one page, in words for the client: where it hurts, what was found, and what may explain it. */
final readonly class SummaryPage
{
    private const SHOWN = 3;

    private const TENDER = 2;

    public function __construct(private CaseAssembler $cases, private Clinic $clinic)
    {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $case = $this->cases->of($visit);
        $rows = EntryRows::of([$visit->id]);

        return [
            ...PaperHead::of($visit),
            'complaints' => $rows->payloads(EntryKind::Complaint), 'felt' => $rows->payloads(EntryKind::Palpation),
            'explains' => $this->explains($this->clinic->rank($case)),
            'chains' => array_map(static fn (Chain $chain): string => $chain->title, $this->clinic->chains($case)),
            ...$this->measured($this->clinic->compared($case)),
            'tender' => $this->tender($rows),
        ];
    }

    /** @return list<array{name: string, words: string}> those with more than slight support, or the first one said as a guess */
    private function explains(PatternResult $pattern): array
    {
        $leaders = array_slice($pattern->candidates, 0, self::SHOWN);
        $shown = array_filter($leaders, static fn (Candidate $one): bool => $one->word !== 'slight' && $one->evidence !== []);

        return array_values(array_map($this->explain(...), $shown));
    }

    /** @return array{name: string, words: string} */
    private function explain(Candidate $one): array
    {
        $muscle = $this->clinic->atlas()->muscle($one->at->muscle);
        $where = $this->clinic->atlas()->zone($muscle->zones[0] ?? '')->name.", {$one->at->side->value}";
        $role = match ($one->role) {
            Role::Source => 'the pain may well come from here',
            Role::Site => 'it is sore where it hurts; what started it may lie elsewhere',
            Role::Overstretched => 'it aches because something on the other side of the joint pulls on it',
            Role::Compensating => 'it works for something else and is tired',
            Role::Unclear => 'it fits what was found so far',
        };

        return [
            'name' => $muscle->name.($muscle->plain === null ? '' : " ({$muscle->plain})"),
            'words' => "A muscle at the $where: $role. {$this->sure($one->word)}",
        ];
    }

    private function sure(string $word): string
    {
        return match ($word) {
            'very strong' => 'Nearly everything found points to it.',
            'strong' => 'Most of what was found points to it.',
            default => 'Some of what was found points to it.',
        };
    }

    /**
     * @param  list<Comparison>  $compared
     * @return array{measured: list<array{name: string, left: string, right: string, words: list<string>}>, asUsual: list<string>} a row a
     *         measure that differs from the usual, the other side or before; the rest by name
     */
    private function measured(array $compared): array
    {
        $rows = [];
        foreach ($compared as $one) {
            if (preg_match('/^(range|test)\./', $one->measure->key) !== 1) {
                continue;
            }
            $key = $one->measure->key;
            $rows[$key] ??= [
                'name' => $one->measure->name.(str_ends_with($key, '.passive') ? ', moved for them' : ''), 'left' => '', 'right' => '',
                'words' => [],
            ];
            $rows[$key][$one->measure->side->value === 'right' ? 'right' : 'left'] = round($one->value, 1).(
                $one->measure->unit === 'deg' ? '°' : " {$one->measure->unit}"
            );
            foreach ($one->with as $with) {
                if ($with->real && ($with->what !== 'other_side' || ! $with->better)) {
                    $rows[$key]['words'][] = (
                        $one->measure->side->value === 'midline' ? '' : "{$one->measure->side->value}: "
                    ).$with->words;
                }
            }
        }

        $differs = array_filter($rows, static fn (array $row): bool => $row['words'] !== []);

        return ['measured' => array_values($differs), 'asUsual' => array_column(array_values(array_diff_key($rows, $differs)), 'name')];
    }

    /** @return list<string> */
    private function tender(EntryRows $rows): array
    {
        $sides = [];
        foreach ($rows->payloads(EntryKind::Palpation) as $one) {
            if (is_array($one) && (($one['tenderness'] ?? 0) >= self::TENDER || ($one['familiar'] ?? null) === 'yes')) {
                $sides[(string) $one['muscle']][(string) $one['side']] = ($one['familiar'] ?? null) === 'yes' ? 'your own pain' : 'tender';
            }
        }
        $lines = [];
        foreach ($sides as $muscle => $by) {
            $lines[] = $this->clinic->atlas()->muscle($muscle)->name.': '.implode(
                ', ', array_map(static fn (string $side, string $word): string => "$side $word", array_keys($by), $by),
            );
        }

        return $lines;
    }
}
