<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\EntryCheck;
use App\Cases\FieldMerge;
use App\Cases\SavedEntry;
use App\Cases\SoundRecords;
use App\Models\Entry;
use App\Models\EntryKind;
use App\Models\TreatmentEvent;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Keeps one entry of a visit. A window says which revision it saw; if another window has written since, what each of them changed stands,
 * nothing is overwritten, and the caller is told which fields both had changed. Every state is kept in the changes.
 */
final readonly class SaveEntry
{
    public function __construct(private SoundRecords $sound, private EntryCheck $check)
    {
    }

    /** @throws \Illuminate\Validation\ValidationException when a window says it saw a revision that is not there yet */
    public function handle(
        Visit $visit,
        User $user,
        EntryKind $kind,
        string $phase,
        string $identity,
        mixed $payload,
        int $seen,
        string $today,
    ): SavedEntry {
        return DB::transaction(function () use ($visit, $user, $kind, $phase, $identity, $payload, $seen, $today): SavedEntry {
            $entry = Entry::query()->where(['visit_id' => $visit->id, 'phase' => $phase, 'kind' => $kind, 'identity' => $identity])
                ->first();
            if ($entry !== null && $kind->bare($entry->payload) === $kind->bare($payload)) {
                return SavedEntry::kept($entry);
            }
            if (($entry->revision ?? 0) < $seen) {
                throw SeenBeforeWritten::revision($seen, $entry->revision ?? 0);
            }
            if ($entry !== null && $entry->revision > $seen) {
                return $this->beside($entry, $user, $payload, $seen, $today);
            }
            $entry ??= new Entry([
                'visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => $phase, 'kind' => $kind, 'identity' => $identity,
                'revision' => 0,
            ]);

            return SavedEntry::kept($this->write($entry, $user, $payload, $today));
        });
    }

    /** Another window wrote since this one looked. */
    private function beside(Entry $entry, User $user, mixed $payload, int $seen, string $today): SavedEntry
    {
        $base = $seen === 0 ? null : $entry->changes()->where('revision', $seen)->first();
        // an agreement is one act, and what was taken back since is not given again by the word of somebody who has not read it
        $merge = $entry->kind->isWitnessed() || ($seen > 0 && $base === null)
            ? null
            : FieldMerge::of($base?->payload, $payload, $entry->payload);
        if ($merge === null || $this->check->storedFaults($entry->kind, $entry->identity, $merge->fields, $today) !== []) {
            return SavedEntry::refused($entry);
        }

        return SavedEntry::merged(
            $merge->fields === $entry->payload ? $entry : $this->write($entry, $user, $merge->fields, $today), $merge->clashing,
        );
    }

    private function write(Entry $entry, User $user, mixed $payload, string $today): Entry
    {
        if ($entry->kind->isWitnessed() && is_array($payload)) {
            $payload = [
                ...$payload, 'asked_by' => $user->name, 'asked_at' => $payload['asked_at'] ?? CarbonImmutable::now()->toIso8601ZuluString(),
            ];
        }
        $entry->fill([
            'payload' => $payload, 'revision' => $entry->revision + 1, 'said_on' => $today, 'user_id' => $user->id,
            'checked' => $this->sound->mark(), 'fault' => null,
        ])->save();
        // the database takes a changed payload for one that nobody has looked at
        Entry::query()->whereKey($entry->id)->toBase()->update(['checked' => $this->sound->mark()]);
        if ($entry->kind === EntryKind::Consent && is_array($payload) && ($payload['given'] ?? null) === true) {
            // whoever agrees has read the revision that said it was taken back
            TreatmentEvent::query()
                ->where(['visit_id' => $entry->visit_id, 'type' => 'consent_withdrawn'])
                ->where('payload->area', $entry->identity)
                ->whereNull('lifted_by')
                ->update(['lifted_by' => 'record']);
        }
        $entry->changes()->create(['payload' => $payload, 'revision' => $entry->revision, 'user_id' => $user->id]);

        return $entry;
    }

    /**
     * @param  list<array{kind: EntryKind, phase: string, identity: string, payload: mixed, seen: int}>  $entries
     * @return list<Entry> as they stand now
     */
    public function all(Visit $visit, User $user, array $entries, string $today): array
    {
        return DB::transaction(fn (): array => array_map(
            fn (array $one): Entry => $this->handle(
                $visit, $user, $one['kind'], $one['phase'], $one['identity'], $one['payload'], $one['seen'], $today,
            )->entry,
            $entries,
        ));
    }
}
