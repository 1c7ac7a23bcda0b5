<?php

declare(strict_types=1);

namespace App\Cases;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Treatment\Event;

/** What happened at the table as it is kept: every row that can be read, whatever order it came in. */
final readonly class TableEvents
{
    private const COLUMNS = ['seq', 'id', 'visit_id', 'type', 'step', 'payload', 'device', 'number', 'happened_at', 'told_at'];

    /**
     * @param  list<int>  $visits
     * @return array<int, list<\stdClass>> rows by visit, as they came in, each with its payload read
     */
    public static function rows(array $visits): array
    {
        $rows = [];
        foreach (
            DB::table('treatment_events')->whereIn('visit_id', $visits)->whereNull('fault')->orderBy('seq')->get(self::COLUMNS) as $row
        ) {
            $row->payload = (array) json_decode((string) $row->payload, true);
            $rows[(int) $row->visit_id][] = $row;
        }

        return $rows;
    }

    /**
     * @param  list<\stdClass>  $rows
     * @return list<Event>
     */
    public static function events(array $rows): array
    {
        return array_map(static fn (\stdClass $row): Event => new Event(
            (string) $row->id, (string) $row->type, (string) $row->step, $row->payload, (string) $row->device, (int) $row->number,
        ), $rows);
    }

    /** @return list<array<string, mixed>> as a room reads them */
    public static function told(int $visit): array
    {
        return array_map(static fn (\stdClass $row): array => [
            'id' => $row->id, 'type' => $row->type, 'step' => $row->step, 'payload' => (object) $row->payload,
            'device' => $row->device, 'number' => $row->number === null ? null : (int) $row->number,
            'happened_at' => CarbonImmutable::parse((string) $row->happened_at, 'UTC')->toIso8601ZuluString('millisecond'),
        ], self::rows([$visit])[$visit] ?? []);
    }
}
