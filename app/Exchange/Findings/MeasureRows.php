<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Models\EntryKind;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** The numbers among the findings, one a row, and back: rows of one thing on one day become one finding. */
final readonly class MeasureRows
{
    /** Kind → where its numbers stand in a finding, and what they are called at the end of the key. */
    private const NUMBERS = [
        'complaint' => ['now' => ''], 'function' => ['score' => ''], 'range' => ['active' => '.active', 'passive' => '.passive'],
        'test' => ['value' => ''], 'palpation' => ['tenderness' => '.tenderness', 'ppt_kpa' => '.ppt'],
    ];

    public function __construct(private Clinic $clinic)
    {
    }

    /**
     * @param  list<FindingRow>  $findings
     * @return list<MeasureRow>
     */
    public function of(array $findings): array
    {
        $rows = [];
        foreach ($findings as $finding) {
            foreach (self::NUMBERS[$finding->kind->value] ?? [] as $part => $end) {
                $value = $finding->payload[$part] ?? null;
                if (is_int($value) || is_float($value)) {
                    $rows[] = new MeasureRow(
                        $finding->date, $finding->phase, $finding->kind->value.'.'.$this->about($finding).$end,
                        (string) ($finding->payload['side'] ?? 'midline'), $value, $this->unit($finding->kind, $finding->payload, $part),
                    );
                }
            }
        }

        return $rows;
    }

    /**
     * @param  array<string, MeasureRow>  $rows by place
     * @return array<string, FindingRow> by the place of the first row that tells of it
     *
     * @throws FaultyDocument
     */
    public function findings(array $rows): array
    {
        $found = [];
        $first = [];
        $faults = [];
        foreach ($rows as $place => $row) {
            $read = $this->read($row);
            if ($read === null) {
                $faults[] = new Fault("$place, key", "\"{$row->key}\" names no measure; a key is like range.cervical.rotation.active");

                continue;
            }
            [$kind, $payload, $part] = $read;
            $unit = $this->unit($kind, $payload, $part);
            if ($row->unit !== $unit) {
                $faults[] = new Fault("$place, unit", "\"{$row->unit}\", where {$row->key} is in $unit");
            }
            $name = json_encode([$row->date, $row->phase, $kind, $payload], JSON_THROW_ON_ERROR);
            if (isset($found[$name][2][$part]) && $found[$name][2][$part] !== $row->value) {
                $faults[] = new Fault($place, 'says otherwise than an earlier row of the same day about the same thing');
            }
            $first[$name] ??= $place;
            $found[$name] = [$kind, $payload, [...$found[$name][2] ?? [], $part => $row->value], $row];
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }
        $findings = [];
        foreach ($found as $name => [$kind, $payload, $numbers, $row]) {
            $findings[$first[$name]] = new FindingRow($row->date, $row->phase, $kind, [...$payload, ...$numbers]);
        }

        return $findings;
    }

    private function about(FindingRow $finding): string
    {
        $told = $finding->payload;

        return match ($finding->kind) {
            EntryKind::Complaint => (string) $told['zone'],
            EntryKind::Function => (string) $told['task'],
            EntryKind::Range => (string) $told['movement'],
            EntryKind::Test => $told['test'].(isset($told['segment']) ? '.'.$told['segment'] : ''),
            EntryKind::Palpation => $told['muscle'].'.'.($told['site'] ?? 'whole').(isset($told['spot']) ? '.'.$told['spot'] : ''),
            default => '',
        };
    }

    /** @return array{EntryKind, array<string, string>, string}|null kind, what names the finding, and the part the number stands in */
    private function read(MeasureRow $row): ?array
    {
        [$kind, $about] = [...explode('.', $row->key, 2), ''];
        $side = ['side' => $row->side];

        return match (true) {
            $about === '' => null,
            $kind === 'complaint' => [EntryKind::Complaint, ['zone' => $about, ...$side], 'now'],
            $kind === 'function' => $row->side === 'midline' ? [EntryKind::Function, ['task' => $about], 'score'] : null,
            $kind === 'range' && preg_match('/^(.+)\.(active|passive)$/', $about, $found) === 1
                => [EntryKind::Range, ['movement' => $found[1], ...$side], $found[2]],
            $kind === 'test' && preg_match('/^([a-z_]+)(?:\.([A-Za-z]+\d+))?$/', $about, $found) === 1
                => [EntryKind::Test, ['test' => $found[1], ...$side, ...isset($found[2]) ? ['segment' => $found[2]] : []], 'value'],
            $kind === 'palpation' => $this->felt(explode('.', $about), $side),
            default => null,
        };
    }

    /**
     * @param  list<string>  $pieces  muscle, part of it, a spot of that part or none, and what was measured
     * @param  array{side: string}  $side
     * @return array{EntryKind, array<string, string>, string}|null
     */
    private function felt(array $pieces, array $side): ?array
    {
        $part = ['tenderness' => 'tenderness', 'ppt' => 'ppt_kpa'][array_pop($pieces)] ?? null;
        [$muscle, $site, $spot] = [...$pieces, null, null, null];
        if ($part === null || $muscle === null || $site === null || count($pieces) > 3) {
            return null;
        }

        return [
            EntryKind::Palpation,
            ['muscle' => $muscle, ...$side, ...$site === 'whole' ? [] : ['site' => $site], ...$spot === null ? [] : ['spot' => $spot]],
            $part,
        ];
    }

    /** @param  array<string, mixed>  $payload */
    private function unit(EntryKind $kind, array $payload, string $part): string
    {
        $atlas = $this->clinic->atlas();

        return match (true) {
            $part === 'tenderness' => '0-4',
            $part === 'ppt_kpa' => 'kPa',
            $kind === EntryKind::Range => ($atlas->movements[$payload['movement']] ?? null)->unit ?? '',
            $kind === EntryKind::Test => ($atlas->tests[$payload['test']] ?? null)->result ?? '',
            default => '0-10',
        };
    }
}
