<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Exchange\CsvTable;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** Measures as a table: day, before or after the work, key, side, value, unit. */
final readonly class MeasuresCsv
{
    public const COLUMNS = ['date', 'phase', 'key', 'side', 'value', 'unit'];

    /** @param  list<MeasureRow>  $rows */
    public function write(array $rows): string
    {
        return CsvTable::write(
            self::COLUMNS,
            array_map(static fn (MeasureRow $row): array => [...$row->toArray(), 'value' => (string) json_encode($row->value)], $rows),
        );
    }

    /**
     * @return array<string, MeasureRow> by place
     *
     * @throws FaultyDocument
     */
    public function read(string $text): array
    {
        $rows = [];
        $faults = [];
        foreach (CsvTable::read($text, self::COLUMNS, self::COLUMNS) as $number => $cells) {
            $value = is_numeric($cells['value']) ? json_decode($cells['value']) : null;
            $wrong = self::faults("row $number", $cells['phase'], $cells['side'], $value);
            array_push($faults, ...$wrong);
            if ($wrong === [] && (is_int($value) || is_float($value))) {
                $rows["row $number"] = new MeasureRow(
                    $cells['date'], $cells['phase'], $cells['key'], $cells['side'], $value, $cells['unit'],
                );
            }
        }

        return $faults === [] ? $rows : throw FaultyDocument::with($faults);
    }

    /** @return list<Fault> */
    public static function faults(string $place, mixed $phase, mixed $side, mixed $value): array
    {
        return array_values(array_filter([
            in_array($phase, ['before', 'after'], true) ? null : new Fault("$place, phase", 'must be before or after'),
            in_array($side, ['left', 'right', 'midline'], true) ? null : new Fault("$place, side", 'must be left, right or midline'),
            is_int($value) || is_float($value) ? null : new Fault("$place, value", 'must be a number'),
        ]));
    }
}
