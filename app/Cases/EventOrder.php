<?php

declare(strict_types=1);

namespace App\Cases;

/**
 * The order of what happened at the table: of one device by its running number, of several as they came in. So each place in the order of
 * receipt belongs to a device, and the device fills its places by number; a clock says nothing here.
 */
final readonly class EventOrder
{
    /**
     * @param  list<\stdClass>  $rows with seq, device and number; those without a device stay where they came in
     * @return list<\stdClass>
     */
    public static function of(array $rows): array
    {
        usort($rows, static fn (\stdClass $a, \stdClass $b): int => $a->seq <=> $b->seq);
        /** @var array<string, list<\stdClass>> $queues */
        $queues = [];
        foreach ($rows as $row) {
            if ($row->device !== null) {
                $queues[$row->device][] = $row;
            }
        }
        foreach ($queues as $device => $queue) {
            usort($queue, static fn (\stdClass $a, \stdClass $b): int => [$a->number, $a->seq] <=> [$b->number, $b->seq]);
            $queues[$device] = $queue;
        }

        return array_map(static function (\stdClass $row) use (&$queues): \stdClass {
            return $row->device === null ? $row : array_shift($queues[$row->device]) ?? $row;
        }, $rows);
    }
}
