<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

use App\Cases\Brought;
use App\Cases\BroughtEntry;
use App\Cases\BroughtVisit;
use App\Cases\EntryCheck;
use App\Cases\SoundRecords;
use App\Models\Client;
use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** Findings of a client out of the record, and rows of a file back into visits. */
final readonly class FindingRows
{
    public function __construct(private EntryCheck $check, private SoundRecords $sound)
    {
    }

    /** @return list<FindingRow> in the order of the visits */
    public function of(Client $client, string $timezone): array
    {
        $kinds = array_values(array_map(
            static fn (EntryKind $kind): string => $kind->value,
            array_filter(EntryKind::cases(), static fn (EntryKind $kind): bool => $kind->isFinding()),
        ));
        $this->sound->look(array_values($client->visits()->pluck('id')->map(static fn (mixed $id): int => (int) $id)->all()));
        $rows = DB::table('entries')
            ->whereNull('entries.fault')
            ->join('visits', 'visits.id', '=', 'entries.visit_id')
            ->where('visits.client_id', $client->id)
            ->whereIn('entries.kind', $kinds)
            ->whereNotNull('entries.payload')
            ->where('entries.payload', '!=', 'null')
            ->orderBy('visits.number')
            ->orderByDesc('entries.phase')
            ->orderBy('entries.kind')
            ->orderBy('entries.identity')
            ->get(['visits.started_at', 'entries.phase', 'entries.kind', 'entries.payload']);

        return array_values($rows->map(static fn (object $row): FindingRow => new FindingRow(
            CarbonImmutable::parse((string) $row->started_at, 'UTC')->setTimezone($timezone)->format('Y-m-d'), (string) $row->phase,
            EntryKind::from((string) $row->kind), (array) json_decode((string) $row->payload, true),
        ))->all());
    }

    /**
     * @param  array<array-key, FindingRow>  $rows by the place they stand at, such as `row 7`
     * @param  string  $today no finding is from later
     *
     * @throws FaultyDocument
     */
    public function brought(array $rows, string $today, bool $partial = false): Brought
    {
        $faults = [];
        $visits = [];
        $number = [];
        foreach ($rows as $place => $row) {
            $place = (string) $place;
            if (! $this->isDay($row->date) || $row->date > $today) {
                $faults[] = new Fault("$place, date", "\"{$row->date}\" is no day that has been");

                continue;
            }
            $index = $number[$row->date][$row->kind->value] = ($number[$row->date][$row->kind->value] ?? -1) + 1;
            $identity = $row->kind->nameOf($row->payload, sprintf('%03d', $index));
            $found = $this->check->faults($row->kind, $identity, $row->payload, false, $row->date);
            array_push($faults, ...array_map(static fn (string $fault): Fault => new Fault($place, $fault), $found));
            $entry = new BroughtEntry(
                $row->kind, $row->phase === 'after' ? 'after' : 'before', $identity, $row->payload, $row->date, $partial,
            );
            if (isset($visits[$row->date][$entry->key()]) && $visits[$row->date][$entry->key()]->payload !== $row->payload) {
                $faults[] = new Fault($place, 'says otherwise than an earlier row of the same day about the same thing');
            }
            $visits[$row->date][$entry->key()] = $entry;
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }
        ksort($visits);

        return new Brought(array_map(
            static fn (string $date, array $entries): BroughtVisit => new BroughtVisit($date, array_values($entries)), array_keys($visits),
            $visits,
        ));
    }

    /** @return list<Fault> what a row must say before it is read as a finding */
    public function headFaults(mixed $phase, mixed $kind, string $place): array
    {
        $known = is_string($kind) ? EntryKind::tryFrom($kind) : null;

        return array_values(array_filter([
            in_array($phase, ['before', 'after'], true) ? null : new Fault("$place, phase", 'must be before or after'),
            $known?->isFinding() === true
                ? null
                : new Fault(
                    "$place, kind",
                    'is no kind of finding; known are '.implode(
                        ', ',
                        array_map(
                            static fn (EntryKind $one): string => $one->value,
                            array_filter(EntryKind::cases(), static fn (EntryKind $one): bool => $one->isFinding()),
                        ),
                    ),
                ),
        ]));
    }

    private function isDay(string $text): bool
    {
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $text);

        return $day !== false && $day->format('Y-m-d') === $text;
    }
}
