<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Exchange\JsonLines;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** Measures as lines of JSON, with the same parts as the table. */
final readonly class MeasuresJsonLines
{
    /** @param  list<MeasureRow>  $rows */
    public function write(array $rows): string
    {
        return JsonLines::write(array_map(static fn (MeasureRow $row): array => $row->toArray(), $rows));
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
        foreach (JsonLines::read($text, MeasuresCsv::COLUMNS) as $place => $object) {
            $wrong = MeasuresCsv::faults($place, $object['phase'], $object['side'], $object['value']);
            foreach (['date', 'key', 'unit'] as $name) {
                if (! is_string($object[$name])) {
                    $wrong[] = new Fault("$place, $name", 'must be text');
                }
            }
            array_push($faults, ...$wrong);
            if ($wrong === []) {
                $rows[$place] = new MeasureRow(...$object);
            }
        }

        return $faults === [] ? $rows : throw FaultyDocument::with($faults);
    }
}
