<?php

declare(strict_types=1);

namespace App\Actions;

use App\Exchange\Calendar\AppointmentLine;
use App\Exchange\PreviewRows;
use App\Exchange\Progress;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Takes appointments from a calendar. The same name is the same appointment; the client is found by code, the therapist by mail address, or
 * else it is who brings them.
 *
 * @phpstan-import-type Preview from PreviewRows
 * @phpstan-import-type Row from PreviewRows
 *
 * @phpstan-type Placed array{line: AppointmentLine, client: Client|null, therapist: User, standing: Appointment|null}
 */
final readonly class BringAppointments
{
    private const AT_ONCE = 400;

    public function __construct(private Progress $progress)
    {
    }

    /**
     * @param  list<AppointmentLine>  $lines
     * @return Preview
     */
    public function preview(User $user, array $lines): array
    {
        $rows = new PreviewRows(['appointments', $user->clinic_id]);
        foreach ($this->placed($user, $lines) as $index => $one) {
            $rows->add($this->row($user, $one));
            $this->progress->tell(__('compared'), $index + 1, count($lines));
        }

        return $rows->preview();
    }

    /** @param  list<AppointmentLine>  $lines */
    public function handle(User $user, array $lines, string $digest): int
    {
        return DB::transaction(function () use ($user, $lines, $digest): int {
            if (! hash_equals($this->preview($user, $lines)['digest'], $digest)) {
                throw new RecordChangedMeanwhile;
            }
            $written = 0;
            $new = [];
            foreach ($this->placed($user, $lines) as $one) {
                ['line' => $line, 'client' => $client, 'therapist' => $therapist, 'standing' => $standing] = $one;
                if ($client === null || $this->row($user, $one)['changes'] === []) {
                    continue;
                }
                $told = [
                    'client_id' => $client->id, 'user_id' => $therapist->id, 'starts_at' => $line->at->utc(), 'minutes' => $line->minutes,
                    'status' => $line->status,
                ];
                // the last of several of one name stays
                $standing === null ? $new[$line->uid] = $told : $standing->update($told);
                $written++;
            }
            $this->insert($user, $new);

            return $written;
        });
    }

    /** @param  array<string, array<string, mixed>>  $new by name */
    private function insert(User $user, array $new): void
    {
        $now = now()->format('Y-m-d H:i:s');
        $rows = array_map(
            static fn (string $uid, array $told): array => [
                ...$told, 'starts_at' => $told['starts_at']->format('Y-m-d H:i:s'), 'clinic_id' => $user->clinic_id, 'uid' => $uid,
                'created_at' => $now, 'updated_at' => $now,
            ],
            array_map(strval(...), array_keys($new)), array_values($new),
        );
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            DB::table('appointments')->insert($some);
        }
    }

    /**
     * Each line with whom it is about and what stands here under its name.
     *
     * @param  list<AppointmentLine>  $lines
     * @return \Generator<int, Placed>
     */
    private function placed(User $user, array $lines): \Generator
    {
        $user->loadMissing('clinic');
        $people = User::query()->where('clinic_id', $user->clinic_id)->whereNull('deactivated_at')->get()->keyBy('email');
        foreach (array_chunk($lines, self::AT_ONCE) as $part => $some) {
            $clients = Client::query()
                ->where('clinic_id', $user->clinic_id)
                ->whereIn('code', array_map(static fn (AppointmentLine $line): string => $line->code, $some))
                ->whereNull('erased_at')
                ->whereNull('merged_into_id')
                ->get()
                ->keyBy('code');
            $standing = Appointment::query()
                ->where('clinic_id', $user->clinic_id)
                ->whereIn('uid', array_map(static fn (AppointmentLine $line): string => $line->uid, $some))
                ->with('client', 'user')
                ->get()
                ->keyBy('uid');
            foreach ($some as $index => $line) {
                yield $part * self::AT_ONCE + $index => [
                    'line' => $line, 'client' => $clients->get($line->code), 'therapist' => $people->get($line->therapist) ?? $user,
                    'standing' => $standing->get($line->uid),
                ];
            }
        }
    }

    /**
     * @param  Placed  $one
     * @return Row
     */
    private function row(User $user, array $one): array
    {
        ['line' => $line, 'client' => $client, 'therapist' => $therapist, 'standing' => $standing] = $one;
        $title = $user->clinic->dateWords($line->at, true)." {$line->code}";
        if ($client === null) {
            return [
                'title' => $title, 'state' => 'left', 'changes' => [], 'same' => 0, 'left' => ["nobody here has the code {$line->code}"],
            ];
        }
        $of = static fn (string $code, string $at, int $minutes, string $status, string $name): array => [
            'client' => $code, 'moment' => $at, 'minutes' => (string) $minutes, 'state' => $status, 'therapist' => $name,
        ];
        $was = $standing === null
            ? []
            : $of(
                $standing->client->code, $standing->starts_at->utc()->format('Y-m-d H:i'), $standing->minutes, $standing->status,
                $standing->user->name,
            );
        $becomes = $of($client->code, $line->at->format('Y-m-d H:i'), $line->minutes, $line->status, $therapist->name);
        $changes = [];
        foreach ($becomes as $key => $value) {
            if (($was[$key] ?? null) !== $value) {
                $changes[] = [
                    'key' => $key, 'name' => $key === 'moment' ? 'moment (UTC)' : $key, 'was' => $was[$key] ?? null, 'becomes' => $value,
                ];
            }
        }

        return [
            'title' => $title, 'state' => $standing === null ? 'new' : ($changes === [] ? 'same' : 'changed'), 'changes' => $changes,
            'same' => count($becomes) - count($changes), 'left' => [],
        ];
    }
}
