<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Exchange\JsonLines;
use App\Models\EntryKind;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** Findings as lines of JSON: the day, before or after the work, the kind, and the finding as the open case format has it. */
final readonly class FindingsJsonLines
{
    public function __construct(private FindingRows $rows)
    {
    }

    /** @param  list<FindingRow>  $rows */
    public function write(array $rows): string
    {
        return JsonLines::write(array_map(
            static fn (FindingRow $row): array => [
                'date' => $row->date, 'phase' => $row->phase, 'kind' => $row->kind->value, 'finding' => $row->payload,
            ],
            $rows,
        ));
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
        foreach (JsonLines::read($text, ['date', 'phase', 'kind', 'finding']) as $place => $object) {
            $wrong = $this->rows->headFaults($object['phase'], $object['kind'], $place);
            if (! is_string($object['date'])) {
                $wrong[] = new Fault("$place, date", 'must be a day such as 2026-03-09');
            }
            if (! is_array($object['finding']) || array_is_list($object['finding'])) {
                $wrong[] = new Fault("$place, finding", 'must be an object');
            }
            array_push($faults, ...$wrong);
            if ($wrong === []) {
                $rows[$place] = new FindingRow($object['date'], $object['phase'], EntryKind::from($object['kind']), $object['finding']);
            }
        }

        return $faults === [] ? $rows : throw FaultyDocument::with($faults);
    }
}
