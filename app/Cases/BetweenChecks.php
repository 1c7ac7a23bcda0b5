<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Treatment\Fold;

/**
 * What was measured again while a visit was under way, and what had been worked by then: from when each reading was written down and when
 * the first touch of each muscle was. What was only measured at the end, or where nothing was worked at the table, is no reading between.
 */
final readonly class BetweenChecks
{
    /**
     * @param  list<int>  $visits
     * @param  array<int, list<\stdClass>>  $events  rows of TableEvents, by visit
     * @return array<int, list<array<string, mixed>>> `checks` of the case format by visit, oldest first
     */
    public static function of(array $visits, array $events): array
    {
        $readings = [];
        $found = DB::table('entry_changes')->join('entries', 'entries.id', '=', 'entry_changes.entry_id')
            ->whereIn('entries.visit_id', array_keys($events))->where('entries.phase', 'after')->whereNull('entries.fault')
            ->whereIn('entries.kind', [EntryKind::Complaint->value, EntryKind::Range->value])
            ->where('entry_changes.payload', '!=', 'null')
            ->orderBy('entry_changes.id')
            ->get(['entries.visit_id', 'entries.kind', 'entries.identity', 'entry_changes.payload', 'entry_changes.created_at']);
        foreach ($found as $row) {
            $readings[(int) $row->visit_id][] = [
                (int) strtotime((string) $row->created_at.' UTC'), (string) EntryKind::from((string) $row->kind)->findingsKey(),
                (string) $row->identity,
                json_decode((string) $row->payload, true),
            ];
        }
        $checks = [];
        foreach ($visits as $visit) {
            $of = isset($readings[$visit]) ? self::ofVisit($readings[$visit], self::touched($events[$visit])) : [];
            if ($of !== []) {
                $checks[$visit] = $of;
            }
        }

        return $checks;
    }

    /**
     * @param  list<array{int, string, string, mixed}>  $readings  when, list, identity, value; in their order
     * @param  array<string, array{int, array{muscle: string, side: string}}>  $touched  when each muscle was first touched
     * @return list<array<string, mixed>>
     */
    private static function ofVisit(array $readings, array $touched): array
    {
        $checks = [];
        $known = [];
        foreach ($readings as [$at, $list, $identity, $value]) {
            $worked = array_filter($touched, static fn (array $one): bool => $one[0] <= $at);
            $new = array_diff_key($worked, $known);
            if ($new !== [] || $checks === []) {
                $checks[] = ['worked' => array_column($new, 1), 'findings' => []];
                $known += $new;
            }
            $checks[count($checks) - 1]['findings'][$list][$identity] = $value;
        }
        // with nothing worked after the first of them they all stand at the end
        if (count($checks) < 2 && count($known) === count($touched)) {
            return [];
        }

        return array_map(static fn (array $check): array => [
            ...$check, 'findings' => array_map(static fn (array $of): array => array_values($of), $check['findings']),
        ], $checks);
    }

    /**
     * @param  list<\stdClass>  $rows
     * @return array<string, array{int, array{muscle: string, side: string}}> when each muscle was first touched, in seconds
     */
    private static function touched(array $rows): array
    {
        $steps = Fold::of([], TableEvents::events($rows))->steps;
        $touched = [];
        foreach ($rows as $row) {
            $step = $steps[$row->step] ?? null;
            $at = strtotime((string) $row->happened_at.' UTC');
            if ($step?->muscle === null || $step->side === null || $at === false) {
                continue;
            }
            $key = "$step->muscle:$step->side";
            if (! isset($touched[$key]) || $at < $touched[$key][0]) {
                $touched[$key] = [$at, ['muscle' => $step->muscle, 'side' => $step->side]];
            }
        }
        uasort($touched, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $touched;
    }
}
