<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Illuminate\Support\Facades\DB;

/** The standing entries of some visits of one client that can be read, in a fixed order; they were looked at before (SoundRecords). */
final readonly class EntryRows
{
    /** @param  list<EntryRow>  $rows by visit, kind and identity */
    private function __construct(private array $rows)
    {
    }

    /** @param  list<int>  $visits oldest first: the order in which they were made need not be the order in which they were written down */
    public static function of(array $visits): self
    {
        $place = array_flip($visits);
        $rows = DB::table('entries')
            ->whereIn('visit_id', $visits)
            ->whereNull('fault')
            ->whereNotNull('payload')
            ->where('payload', '!=', 'null')
            ->orderBy('kind')->orderBy('identity')
            ->get(['visit_id', 'phase', 'kind', 'identity', 'payload', 'said_on'])->sortBy(
                static fn (object $row): int => $place[(int) $row->visit_id],
            );

        return new self(array_values($rows->map(static fn (object $row): EntryRow => new EntryRow(
            (int) $row->visit_id, (string) $row->phase, (string) $row->kind, (string) $row->identity,
            json_decode((string) $row->payload, true), (string) $row->said_on,
        ))->all()));
    }

    public function ofVisit(int $visit): self
    {
        return new self(array_values(array_filter($this->rows, static fn (EntryRow $row): bool => $row->visit === $visit)));
    }

    /** @return list<EntryRow> */
    public function all(EntryKind $kind, string $phase = 'before'): array
    {
        return array_values(array_filter(
            $this->rows, static fn (EntryRow $row): bool => $row->kind === $kind->value && $row->phase === $phase,
        ));
    }

    /** @return list<mixed> */
    public function payloads(EntryKind $kind, string $phase = 'before'): array
    {
        return array_map(static fn (EntryRow $row): mixed => $row->payload, $this->all($kind, $phase));
    }

    /** @return array<string, mixed> payloads by identity */
    public function map(EntryKind $kind): array
    {
        $map = [];
        foreach ($this->all($kind) as $row) {
            $map[$row->identity] = $row->payload;
        }

        return $map;
    }

    public function first(EntryKind $kind): ?EntryRow
    {
        return $this->all($kind)[0] ?? null;
    }

    /** @return array<string, EntryRow> the latest answer of each name over all visits */
    public function standing(EntryKind $kind): array
    {
        $latest = [];
        foreach ($this->all($kind) as $row) { // visits come in order, so the last one stays
            $latest[$row->identity] = $row;
        }
        ksort($latest);

        return $latest;
    }
}
