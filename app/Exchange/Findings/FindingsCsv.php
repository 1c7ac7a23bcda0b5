<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Exchange\CsvTable;
use App\Models\EntryKind;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/**
 * Findings as a table, a row each: the day, before or after the work, the kind, and the parts of the open case format as columns. Several
 * words or numbers in a cell are parted by semicolons, a place is `zone:side`, a movement `movement:side`, a strain `demand:name`, a list
 * with nothing in it `none`.
 */
final readonly class FindingsCsv
{
    private const HEAD = ['date', 'phase', 'kind'];

    public function __construct(private FindingRows $rows, private FindingColumns $columns)
    {
    }

    /** @param  list<FindingRow>  $rows */
    public function write(array $rows): string
    {
        return CsvTable::write([...self::HEAD, ...array_keys($this->columns->forms())], array_map($this->cells(...), $rows));
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
        $forms = $this->columns->forms();
        foreach (CsvTable::read($text, [...self::HEAD, ...array_keys($this->columns->forms())], self::HEAD) as $number => $cells) {
            $place = "row $number";
            $wrong = $this->rows->headFaults($cells['phase'], $cells['kind'], $place);
            $payload = [];
            foreach (array_diff_key($cells, array_flip(self::HEAD)) as $name => $cell) {
                if ($cell !== '') {
                    try {
                        $payload[$name] = $forms[$name]->read($cell);
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
        $forms = $this->columns->forms();
        foreach ($row->payload as $name => $value) {
            $cells[$name] = $forms[$name]->write($value);
        }

        return $cells;
    }
}
