<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;

/**
 * What is stored is looked at once under each atlas: rows of an earlier version, or written past the program, may say what nobody can read
 * any more. Such a row stays as it was written, says what is wrong with it in `fault`, and counts in nothing; everything else goes on. The
 * database itself marks a row that was changed past the program as not looked at.
 */
final readonly class SoundRecords
{
    private const AT_ONCE = 500;

    private const LONGEST_FAULT = 300;

    public function __construct(private Clinic $clinic, private EntryCheck $entries)
    {
    }

    /** What a row that was checked before it was written carries. */
    public function mark(): string
    {
        return $this->clinic->version();
    }

    /**
     * Looks at the rows of some visits that nobody has looked at yet.
     *
     * @param  list<int>  $visits
     */
    public function look(array $visits): void
    {
        foreach (array_chunk($visits, self::AT_ONCE) as $some) {
            $this->lookAtEntries($some);
            $this->lookAtEvents($some);
        }
    }

    /** @return array{looked_at: int, cannot_be_read: int} over the whole database: after an update, so that no page has to wait for it */
    public function lookAtAll(): array
    {
        $open = DB::table('entries')
            ->where('checked', '!=', $this->mark())
            ->count() + DB::table('treatment_events')
            ->where('checked', '!=', $this->mark())
            ->count();
        DB::table('visits')
            ->orderBy('id')
            ->select('id')
            ->chunk(
                self::AT_ONCE,
                fn ($visits) => $this->look(array_values($visits->pluck('id')->map(static fn (mixed $id): int => (int) $id)->all())),
            );

        return [
            'looked_at' => $open,
            'cannot_be_read' => DB::table('entries')
                ->whereNotNull('fault')
                ->count() + DB::table('treatment_events')
                ->whereNotNull('fault')
                ->count(),
        ];
    }

    /** @return list<array{what: string, fault: string}> what of one visit cannot be read */
    public function unreadable(int $visit): array
    {
        $entries = DB::table('entries')
            ->where('visit_id', $visit)
            ->whereNotNull('fault')
            ->orderBy('id')
            ->get(['kind', 'identity', 'fault']);
        $events = DB::table('treatment_events')->where('visit_id', $visit)->whereNotNull('fault')->orderBy('seq')->get(['type', 'fault']);

        return [
            ...array_values(
                $entries->map(
                    static fn (\stdClass $row): array => [
                        'what' => str_replace('_', ' ', $row->kind).(
                            $row->identity === '' ? '' : ' '.str_replace(['_', ':'], [' ', ', '], trim((string) $row->identity, ':'))
                        ),
                        'fault' => (string) $row->fault,
                    ],
                )->all(),
            ),
            ...array_values(
                $events->map(
                    static fn (\stdClass $row): array => [
                        'what' => 'at the table: '.str_replace('_', ' ', (string) $row->type), 'fault' => (string) $row->fault,
                    ],
                )->all(),
            ),
        ];
    }

    /** @param  list<int>  $visits */
    private function lookAtEntries(array $visits): void
    {
        $open = DB::table('entries')
            ->whereIn('visit_id', $visits)
            ->where('checked', '!=', $this->mark())
            ->get(['id', 'kind', 'identity', 'payload', 'said_on']);
        $found = [];
        foreach ($open as $row) {
            $payload = json_decode((string) $row->payload, true);
            $found[(int) $row->id] = match (true) {
                $row->payload === null || $row->payload === 'null' => null,
                json_last_error() !== JSON_ERROR_NONE => 'It is cut off or is no JSON.',
                default => $this->entries->storedFaults(
                    EntryKind::from((string) $row->kind), (string) $row->identity, $payload, $this->day((string) $row->said_on),
                )[0] ?? null,
            };
        }
        $this->keep('entries', 'id', $found);
    }

    /** @param  list<int>  $visits */
    private function lookAtEvents(array $visits): void
    {
        $open = DB::table('treatment_events')
            ->whereIn('visit_id', $visits)
            ->where('checked', '!=', $this->mark())
            ->get(['seq', 'type', 'payload']);
        $found = [];
        foreach ($open as $row) {
            $payload = json_decode((string) $row->payload, true);
            $faults = is_array($payload)
                ? $this->clinic->events()->payloadFaults((string) $row->type, $payload)
                : [new Fault('', 'cut off, or no JSON')];
            $found[(int) $row->seq] = $faults === [] ? null : $faults[0]->line();
        }
        $this->keep('treatment_events', 'seq', $found);
    }

    /** @param  array<int, string|null>  $found what is wrong, by row */
    private function keep(string $table, string $key, array $found): void
    {
        if ($found === []) {
            return;
        }
        DB::transaction(function () use ($table, $key, $found): void {
            $sound = array_keys(array_filter($found, static fn (?string $fault): bool => $fault === null));
            foreach (array_chunk($sound, self::AT_ONCE) as $some) {
                DB::table($table)->whereIn($key, $some)->update(['checked' => $this->mark(), 'fault' => null]);
            }
            foreach (array_filter($found) as $id => $fault) {
                DB::table($table)->where($key, $id)->update([
                    'checked' => $this->mark(), 'fault' => mb_substr($fault, 0, self::LONGEST_FAULT),
                ]);
            }
        });
    }

    /** A day that is none is as good as today: what is wrong is said of the payload. */
    private function day(string $saidOn): string
    {
        return preg_match('/^\d{4}-\d{2}-\d{2}/', $saidOn) === 1 ? substr($saidOn, 0, 10) : CarbonImmutable::now()->format('Y-m-d');
    }
}
