<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Cases\EntryKind;
use App\Exchange\CsvTable;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/**
 * Findings as a table, a row each: the day, before or after the work, the kind, and the parts of the open case format as columns. Several words or numbers in a cell are
 * parted by semicolons, a place is `zone:side`, a movement `movement:side`, a strain `demand:name`.
 */
final readonly class FindingsCsv
{
    private const HEAD = ['date', 'phase', 'kind'];

    /** Column → how its cells are written. */
    public const PARTS = [
        'zone' => 'word', 'side' => 'word', 'muscle' => 'word', 'site' => 'word', 'movement' => 'word', 'sign' => 'word', 'test' => 'word', 'segment' => 'word', 'task' => 'word',
        'now' => 'number', 'worst_week' => 'number', 'best_week' => 'number', 'qualities' => 'words', 'since' => 'word', 'spreads_to' => 'places', 'worse_with' => 'moves', 'better_with' => 'moves',
        'active' => 'number', 'passive' => 'number', 'pain' => 'number', 'end_feel' => 'word', 'felt_in' => 'places', 'repeats' => 'numbers', 'strength' => 'number', 'force_n' => 'number', 'grade' => 'number',
        'result' => 'word', 'value' => 'number', 'seconds' => 'number', 'refers_to' => 'places', 'symptoms' => 'words',
        'tenderness' => 'number', 'tone' => 'word', 'texture' => 'words', 'familiar' => 'word', 'ppt_kpa' => 'number', 'ppt_repeats_kpa' => 'numbers', 'score' => 'number', 'kpa' => 'number', 'felt' => 'number',
    ];

    public function __construct(private FindingRows $rows)
    {
    }

    /** @param  list<FindingRow>  $rows */
    public function write(array $rows): string
    {
        return CsvTable::write([...self::HEAD, ...array_keys(self::PARTS)], array_map($this->cells(...), $rows));
    }

    /**
     * @return array<string, FindingRow> by place
     *
     * @throws FaultyDocument
     */
    public function read(string $text): array
    {
        $rows = [];
        $faults = [];
        foreach (CsvTable::read($text, [...self::HEAD, ...array_keys(self::PARTS)], self::HEAD) as $number => $cells) {
            $place = "row $number";
            $wrong = $this->rows->headFaults($cells['phase'], $cells['kind'], $place);
            $payload = [];
            foreach (array_diff_key($cells, array_flip(self::HEAD)) as $name => $cell) {
                if ($cell !== '') {
                    try {
                        $payload[$name] = $this->value(self::PARTS[$name], $cell);
                    } catch (\UnexpectedValueException $fault) {
                        $wrong[] = new Fault("$place, $name", $fault->getMessage());
                    }
                }
            }
            array_push($faults, ...$wrong);
            if ($wrong === []) {
                $rows[$place] = new FindingRow($cells['date'], $cells['phase'], EntryKind::from($cells['kind']), $payload);
            }
        }

        return $faults === [] ? $rows : throw FaultyDocument::with($faults);
    }

    /** @return array<string, string> */
    private function cells(FindingRow $row): array
    {
        $cells = ['date' => $row->date, 'phase' => $row->phase, 'kind' => $row->kind->value];
        foreach ($row->payload as $name => $value) {
            $cells[$name] = is_array($value) ? implode('; ', array_map($this->piece(...), $value)) : (string) json_encode($value);
            if (is_string($value)) {
                $cells[$name] = $value;
            }
        }

        return $cells;
    }

    private function piece(mixed $piece): string
    {
        return match (true) {
            is_array($piece) && isset($piece['demand']) => 'demand:'.$piece['demand'],
            is_array($piece) => ($piece['zone'] ?? $piece['movement']).':'.$piece['side'],
            is_string($piece) => $piece,
            default => (string) json_encode($piece),
        };
    }

    private function value(string $how, string $cell): mixed
    {
        $pieces = array_map(trim(...), explode(';', $cell));

        return match ($how) {
            'word' => $cell,
            'number' => $this->number($cell),
            'words' => $pieces,
            'numbers' => array_map($this->number(...), $pieces),
            'places' => array_map(fn (string $piece): array => $this->pair($piece, 'zone'), $pieces),
            'moves' => array_map(fn (string $piece): array => str_starts_with($piece, 'demand:') ? ['demand' => substr($piece, 7)] : $this->pair($piece, 'movement'), $pieces),
            default => throw new \LogicException("no cell is written as $how"),
        };
    }

    private function number(string $cell): int|float
    {
        $number = is_numeric($cell) ? json_decode($cell) : null;

        return is_int($number) || is_float($number) ? $number : throw new \UnexpectedValueException("\"$cell\" is no number");
    }

    /** @return array<string, string> */
    private function pair(string $piece, string $name): array
    {
        $parts = explode(':', $piece);

        return count($parts) === 2 ? [$name => $parts[0], 'side' => $parts[1]] : throw new \UnexpectedValueException("\"$piece\" is not $name:side");
    }
}
