<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\Brought;
use App\Cases\BroughtEntry;
use App\Cases\BroughtVisit;
use App\Exchange\EntryWords;
use App\Exchange\PreviewRows;
use App\Models\Client;
use App\Models\Entry;
use App\Models\EntryChange;
use App\Models\EntryKind;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Casts\Json;
use Illuminate\Support\Facades\DB;

/**
 * Takes visits from a file into the record of a client. A day without a visit here becomes a visit from elsewhere; on a day with one, what
 * the file adds or says otherwise goes into it, unless it is signed. What the file does not name stays. First it is only said what would
 * change; then all of it is done, or nothing.
 *
 * @phpstan-import-type Preview from PreviewRows
 * @phpstan-import-type Row from PreviewRows
 */
final readonly class BringVisits
{
    /**
     * In a visit made here these count only from who was there: agreement is asked for, a decision is signed for, work is told by the
     * events at the table.
     */
    private const ONLY_BY_HAND = [EntryKind::Consent, EntryKind::Guardian, EntryKind::Override, EntryKind::Done];

    private const AT_ONCE = 500;

    public function __construct(private NumberVisits $number, private EntryWords $words)
    {
    }

    /** @return Preview what would change, and a name for exactly that */
    public function preview(Client $client, User $user, Brought $brought): array
    {
        $rows = new PreviewRows(['visits', $client->id]);
        foreach ($brought->visits as $visit) {
            $rows->add($this->day($visit, $this->standing($client, $user, $visit), $user));
        }

        return $rows->preview($brought->unkept);
    }

    /** @return int how many entries were written */
    public function handle(Client $client, User $user, Brought $brought, string $digest): int
    {
        return DB::transaction(function () use ($client, $user, $brought, $digest): int {
            // what was agreed to is what is done: if anybody wrote meanwhile, it is looked at again
            if (! hash_equals($this->preview($client, $user, $brought)['digest'], $digest)) {
                throw new RecordChangedMeanwhile;
            }
            $written = 0;
            foreach ($brought->visits as $visit) {
                $standing = $this->standing($client, $user, $visit);
                $changes = array_column($this->day($visit, $standing, $user)['changes'], null, 'key');
                if ($changes === [] && $standing !== null) {
                    continue;
                }
                $standing ??= $this->make($client, $user, $visit);
                $written += $this->write(
                    $standing, $user,
                    array_values(array_filter($visit->entries, static fn (BroughtEntry $entry): bool => isset($changes[$entry->key()]))),
                );
            }
            $this->number->handle($client->id);

            return $written;
        });
    }

    private function standing(Client $client, User $user, BroughtVisit $visit): ?Visit
    {
        $user->loadMissing('clinic');
        $begins = CarbonImmutable::parse($visit->date, $user->clinic->timezone);
        $ofDay = Visit::query()
            ->where('client_id', $client->id)
            ->whereBetween('started_at', [$begins->utc(), $begins->endOfDay()->utc()])
            ->orderBy('id')
            ->get();

        return $visit->at === null
            ? $ofDay->first()
            : $ofDay->first(static fn (Visit $one): bool => $one->started_at->equalTo(CarbonImmutable::parse($visit->at))) ?? $ofDay
                ->first();
    }

    /** @return Row */
    private function day(BroughtVisit $brought, ?Visit $standing, User $user): array
    {
        $state = match (true) {
            $standing === null => 'new', $standing->isSigned() => 'signed', $standing->origin === 'elsewhere' => 'elsewhere',
            default => 'open',
        };
        $here = $standing === null ? [] : $standing->readable()->get()->keyBy(self::keyOf(...))->all();
        $changes = [];
        $same = 0;
        $left = [];
        foreach ($brought->entries as $entry) {
            $was = $here[$entry->key()] ?? null;
            $name = $this->words->name($entry->kind, $entry->identity).($entry->phase === 'after' ? ', afterwards' : '');
            if ($was !== null && $this->sorted($was->payload) === $this->sorted($entry->over($was->payload))) {
                $same++;
            } elseif ($state === 'open' && ! $user->can('update', $standing)) {
                $left[] = "$name: the visit is another’s";
            } elseif ($state === 'open' && in_array($entry->kind, self::ONLY_BY_HAND, true)) {
                $left[] = "$name: counts only from who was there";
            } elseif ($state === 'signed') {
                $left[] = "$name: the visit is signed, a correction is written on its last step";
            } else {
                $changes[$entry->key()] = [
                    'key' => $entry->key(), 'name' => $name,
                    'was' => $was === null || $was->payload === null ? null : $this->words->value($entry->kind, $was->payload),
                    'becomes' => $this->words->value($entry->kind, $entry->over($was?->payload)),
                ];
            }
        }

        return ['title' => $brought->date, 'state' => $state, 'changes' => array_values($changes), 'same' => $same, 'left' => $left];
    }

    private function make(Client $client, User $user, BroughtVisit $visit): Visit
    {
        $zone = $user->clinic->timezone;
        // a file that knows only the day: noon, so that no zone turns it into another
        $at = $visit->at === null ? CarbonImmutable::parse("{$visit->date} 12:00", $zone) : CarbonImmutable::parse($visit->at);

        return $client->visits()->create([
            'clinic_id' => $client->clinic_id, 'user_id' => $user->id, 'number' => 1 + (int) $client->visits()->max('number'),
            'origin' => 'elsewhere', 'status' => VisitStatus::Stopped,
            'minutes' => $visit->minutes ?? 60, 'last_step' => 'after', 'started_at' => $at->utc(), 'stopped_at' => $at->utc(),
        ]);
    }

    /**
     * What is new goes in together: a file of ten thousands holds the database as short as it can.
     *
     * @param  list<BroughtEntry>  $brought
     */
    private function write(Visit $visit, User $user, array $brought): int
    {
        $here = $visit->entries()->get()->keyBy(self::keyOf(...)); // those that cannot be read too
        $new = [];
        foreach ($brought as $one) {
            $entry = $here[$one->key()] ?? null;
            if ($entry !== null) {
                $values = ['payload' => $one->over($entry->payload), 'revision' => $entry->revision + 1, 'user_id' => $user->id];
                $entry->fill([...$values, 'said_on' => $one->saidOn])->save();
                $entry->changes()->create($values);
            } else {
                $new[$one->key()] = new BroughtEntry(
                    $one->kind, $one->phase, $one->identity, $one->over(($new[$one->key()] ?? null)?->payload), $one->saidOn,
                );
            }
        }
        $now = $visit->freshTimestampString();
        $before = (int) Entry::query()->max('id');
        foreach (array_chunk($new, self::AT_ONCE) as $some) {
            Entry::query()->insert(array_map(static fn (BroughtEntry $one): array => [
                'visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => $one->phase, 'kind' => $one->kind->value,
                'identity' => $one->identity,
                'payload' => $one->payload === null ? null : Json::encode($one->payload), 'revision' => 1, 'said_on' => $one->saidOn,
                'user_id' => $user->id, 'created_at' => $now, 'updated_at' => $now,
            ], $some));
        }
        EntryChange::query()->insertUsing(
            ['entry_id', 'payload', 'revision', 'user_id', 'created_at'],
            Entry::query()
                ->where('visit_id', $visit->id)
                ->where('id', '>', $before)
                ->select(['id', 'payload', 'revision', 'user_id'])
                ->selectRaw('?', [$now]),
        );

        return count($brought);
    }

    private static function keyOf(Entry $entry): string
    {
        return $entry->kind->key($entry->phase, $entry->identity);
    }

    /** The order of keys says nothing, nor whether a whole number has a point. */
    private function sorted(mixed $value): mixed
    {
        if (is_array($value)) {
            $value = array_map($this->sorted(...), $value);
            if (! array_is_list($value)) {
                ksort($value);
            }

            return $value;
        }

        return is_int($value) ? (float) $value : $value;
    }
}
