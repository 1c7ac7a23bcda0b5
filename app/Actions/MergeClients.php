<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\ClientChanges;
use App\Cases\ClientDetails;
use App\Models\Client;
use App\Models\Merge;
use App\Models\User;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Makes two records of one person into one, and two again: every row that went over is written down. What was signed stays as it was
 * signed.
 */
final readonly class MergeClients
{
    /** Tables whose rows go with the client. */
    private const TABLES = ['visits', 'appointments', 'check_ins', 'waiting'];

    public function __construct(private NumberVisits $number)
    {
    }

    public function handle(Client $kept, Client $gone, User $user, CarbonImmutable $now): Merge
    {
        if (
            $kept->visits()->where('status', VisitStatus::Open)->exists() && $gone->visits()->where('status', VisitStatus::Open)->exists()
        ) {
            throw ValidationException::withMessages(['other' => 'Both have a visit open now. Stop or sign one of them first.']);
        }

        return DB::transaction(function () use ($kept, $gone, $user, $now): Merge {
            $moved = [];
            foreach (self::TABLES as $table) {
                $moved[$table] = array_values(
                    DB::table($table)->where('client_id', $gone->id)->pluck('id')->map(static fn (mixed $id): int => (int) $id)->all(),
                );
            }
            // what nobody has asked the one whose record stays is taken over from the other
            $filled = array_filter(
                $gone->only(ClientDetails::KEYS),
                static fn (mixed $value, string $key): bool => $value !== null && $kept->getAttribute($key) === null, ARRAY_FILTER_USE_BOTH,
            );
            $this->apart($gone);
            $this->move($moved, $gone, $kept);
            ClientChanges::of(
                $kept, $user, static fn () => $kept->update([
                    ...$filled, 'last_seen_at' => max($kept->last_seen_at, $gone->last_seen_at),
                    'due_on' => max($kept->due_on, $gone->due_on),
                ]),
            );
            ClientChanges::of($gone, $user, static fn () => $gone->update(['merged_into_id' => $kept->id, 'archived_at' => $now]));
            $this->number->handle($kept->id);

            return Merge::query()->create([
                'clinic_id' => $kept->clinic_id, 'kept_id' => $kept->id, 'gone_id' => $gone->id,
                'moved' => [...$moved, 'filled' => array_keys($filled)], 'user_id' => $user->id, 'created_at' => $now,
            ]);
        });
    }

    public function undo(Merge $merge, User $user, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($merge, $user, $now): void {
            $kept = Client::query()->findOrFail($merge->kept_id);
            $gone = Client::query()->findOrFail($merge->gone_id);
            $moved = $merge->moved;
            $this->apart($kept);
            // only what is still there: another merge may have taken it further
            $this->move(array_intersect_key($moved, array_flip(self::TABLES)), $kept, $gone);
            ClientChanges::of($kept, $user, static fn () => $kept->update(array_fill_keys(array_map(strval(...), $moved['filled']), null)));
            ClientChanges::of($gone, $user, static fn () => $gone->update(['merged_into_id' => null, 'archived_at' => null]));
            $this->number->handle($kept->id);
            $this->number->handle($gone->id);
            foreach ([$kept, $gone] as $one) {
                $one->update(['last_seen_at' => $one->visits()->max('started_at')]);
            }
            $merge->update(['undone_at' => $now]);
        });
    }

    /** While rows change hands no two visits of one client may have one number. */
    private function apart(Client $client): void
    {
        DB::table('visits')->where('client_id', $client->id)->update(['number' => DB::raw('number + '.NumberVisits::APART * 2)]);
    }

    /** @param  array<string, list<int|string>>  $moved */
    private function move(array $moved, Client $from, Client $to): void
    {
        foreach ($moved as $table => $ids) {
            foreach (array_chunk($ids, 500) as $some) {
                DB::table($table)->whereIn('id', $some)->where('client_id', $from->id)->update(['client_id' => $to->id]);
            }
        }
        // what was found goes with its visit
        DB::table('entries')
            ->where('client_id', $from->id)
            ->whereIn('visit_id', DB::table('visits')->select('id')->where('client_id', $to->id))
            ->update(['client_id' => $to->id]);
    }
}
