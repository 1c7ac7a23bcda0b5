<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\CheckIn;
use App\Models\Visit;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\CaseFile\CaseFile;

/**
 * The visits of a client up to one of them, read in one go, and a stamp of all that the case of that visit is made of. Whatever is written
 * anywhere in them counts some revision up or adds a row, so that another stamp means that the case may be another, and the same stamp that
 * it is the same.
 */
final readonly class Course
{
    /**
     * @param  non-empty-list<\stdClass>  $visits with their revisions and events counted, the one asked about last
     * @param  list<mixed>  $told of client, therapist and clinic
     */
    private function __construct(private array $visits, private array $told)
    {
    }

    public static function of(Visit $visit, SoundRecords $sound, HandLoad $hands): self
    {
        $visit->people();
        $marks = $hands->marks($visit);
        $rows = self::rows($visit, $sound->mark(), $marks);
        if (array_sum(array_column($rows, 'unseen')) > 0) {
            $sound->look(array_map(static fn (\stdClass $row): int => (int) $row->id, $rows));
            $rows = self::rows($visit, $sound->mark(), $marks);
        }
        [$client, $user] = [$visit->client, $visit->user];
        $last = (array) $rows[count($rows) - 1];

        return new self($rows, [
            $client->born_on->format('Y-m-d'), $client->only(['sex', 'hand', 'mass_kg', 'skin', 'stoic']),
            $user->only(['mass_kg', 'tools', 'experience', 'licensed']), $user->school(), $user->prefers(), $user->clinic->scope_off,
            $user->clinic->timezone, array_map(strval(...), array_intersect_key($last, $marks)),
            $user->setting('spared'), $user->setting('untrained'), $user->handBudgets(), $user->setting('table_cm'),
            $user->calibration(),
            // how a note is written
            $user->setting('note_words'), $user->setting('pressure_unit'), $user->clinic->dateForm(),
        ]);
    }

    /**
     * @param  array<string, Builder>  $marks  of what lies behind the hands, the same in each row
     * @return non-empty-list<\stdClass>
     */
    private static function rows(Visit $visit, string $mark, array $marks): array
    {
        $query = DB::table('visits')->where('client_id', $visit->client_id)->where('number', '<=', $visit->number)->orderBy('number')
            ->select(['id', 'number', 'status', 'origin', 'started_at', 'minutes'])
            ->selectSub(
                DB::table('entries')->selectRaw("count(*) || '.' || coalesce(sum(revision), 0) || '.' || count(fault)")
                    ->whereColumn('visit_id', 'visits.id'),
                'revisions',
            )
            ->selectSub(
                DB::table('treatment_events')->selectRaw("count(*) || '.' || count(fault)")->whereColumn('visit_id', 'visits.id'), 'events',
            )
            ->selectSub(
                DB::table('treatment_events', 'done')->selectRaw('count(*)')
                    ->whereColumn('visit_id', 'visits.id')->where('type', 'step_done')
                    ->whereNotExists(DB::query()->selectRaw('1')->fromRaw("treatment_events as slip, json_each(slip.payload, '$.events')")
                        ->whereColumn('slip.visit_id', 'done.visit_id')->where('slip.type', 'taken_back')
                        ->whereColumn('json_each.value', 'done.id')),
                'steps_done',
            )
            ->selectSub(DB::table('plans')->selectRaw('count(*)')->whereColumn('visit_id', 'visits.id'), 'plans')
            ->selectSub(
                DB::table('entries')->selectRaw('count(*)')->whereColumn('visit_id', 'visits.id')->where('checked', '!=', $mark),
                'unseen_entries',
            )
            ->selectSub(
                DB::table('treatment_events')->selectRaw('count(*)')->whereColumn('visit_id', 'visits.id')->where('checked', '!=', $mark),
                'unseen_events',
            )
            ->selectSub(CheckIn::before($visit)->selectRaw('count(*)'), 'check_ins');
        foreach ($marks as $name => $of) {
            $query->selectSub($of, $name);
        }
        $rows = $query->get()->all();
        foreach ($rows as $row) {
            $row->unseen = $row->unseen_entries + $row->unseen_events;
        }

        return $rows === [] ? throw new \LogicException('the visit itself is among its client\'s') : array_values($rows);
    }

    /** The visit asked about, which is the last of them. */
    private function asked(): \stdClass
    {
        return $this->visits[count($this->visits) - 1];
    }

    /** The same stamp, the same case. */
    public function stamp(): string
    {
        $made = array_map(
            static fn (\stdClass $row): array => [
                (int) $row->id, $row->number, $row->status, $row->started_at, $row->minutes, $row->revisions, $row->events,
            ],
            $this->visits,
        );
        // what is done at the table is read beside what was agreed
        $made[] = (int) $this->asked()->plans;

        return hash('sha256', json_encode([CaseFile::VERSION, CaseAssembler::EDITION, $made, $this->told], JSON_THROW_ON_ERROR));
    }

    /** Something of this visit is stored and cannot be read. */
    public function cannotBeRead(): bool
    {
        return ! str_ends_with((string) $this->asked()->revisions, '.0') || ! str_ends_with((string) $this->asked()->events, '.0');
    }

    /** The client answered questions alone before it. */
    public function isCheckedIn(): bool
    {
        return (int) $this->asked()->check_ins > 0;
    }

    public function isAgreed(): bool
    {
        return (int) $this->asked()->plans > 0;
    }

    /** Something happened at the table. */
    public function isTreated(): bool
    {
        return ! str_starts_with((string) $this->asked()->events, '0.');
    }

    public function stepsDone(): int
    {
        return (int) $this->asked()->steps_done;
    }

    /** The visit before that came to an end. */
    public function before(): ?\stdClass
    {
        $earlier = array_filter(
            array_slice($this->visits, 0, -1), static fn (\stdClass $row): bool => in_array($row->status, ['signed', 'stopped'], true),
        );

        return array_values($earlier)[count($earlier) - 1] ?? null;
    }

    /** @return list<int> ids of the visits before this one that were made elsewhere */
    public function elsewhere(): array
    {
        return array_values(array_map(
            static fn (\stdClass $row): int => (int) $row->id,
            array_filter(array_slice($this->visits, 0, -1), static fn (\stdClass $row): bool => $row->origin === 'elsewhere'),
        ));
    }

    /** @return list<int> ids of the visits before this one, oldest first */
    public function earlier(): array
    {
        return array_map(static fn (\stdClass $row): int => (int) $row->id, array_slice($this->visits, 0, -1));
    }
}
