<?php

declare(strict_types=1);

namespace App\Actions;

use App\Exchange\Calendar\AppointmentLine;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Takes appointments from a calendar. The same name is the same appointment; the client is found by code, the therapist by mail address, or else it is who brings them.
 *
 * @phpstan-import-type Preview from BringVisits
 * @phpstan-import-type Row from BringVisits
 */
final readonly class BringAppointments
{
    /**
     * @param  list<AppointmentLine>  $lines
     * @return Preview
     */
    public function preview(User $user, array $lines): array
    {
        $rows = array_map(fn (AppointmentLine $line): array => $this->row($user, $line), $lines);

        return ['rows' => $rows, 'unkept' => [], 'digest' => hash('sha256', json_encode([$user->clinic_id, $rows], JSON_THROW_ON_ERROR))];
    }

    /** @param  list<AppointmentLine>  $lines */
    public function handle(User $user, array $lines, string $digest): int
    {
        return DB::transaction(function () use ($user, $lines, $digest): int {
            if (! hash_equals($this->preview($user, $lines)['digest'], $digest)) {
                throw new RecordChangedMeanwhile;
            }
            $written = 0;
            foreach ($lines as $line) {
                $client = $this->client($user, $line);
                if ($client === null || $this->row($user, $line)['changes'] === []) {
                    continue;
                }
                Appointment::query()->updateOrCreate(
                    ['clinic_id' => $user->clinic_id, 'uid' => $line->uid],
                    ['client_id' => $client->id, 'user_id' => $this->therapist($user, $line)->id, 'starts_at' => $line->at, 'minutes' => $line->minutes, 'status' => $line->status],
                );
                $written++;
            }

            return $written;
        });
    }

    /** @return Row */
    private function row(User $user, AppointmentLine $line): array
    {
        $user->loadMissing('clinic');
        $client = $this->client($user, $line);
        $title = $user->clinic->dateWords($line->at, true)." {$line->code}";
        if ($client === null) {
            return ['title' => $title, 'state' => 'left', 'changes' => [], 'same' => 0, 'left' => ["nobody here has the code {$line->code}"]];
        }
        $standing = Appointment::query()->where(['clinic_id' => $user->clinic_id, 'uid' => $line->uid])->with('client', 'user')->first();
        $therapist = $this->therapist($user, $line);
        $of = static fn (string $code, string $at, int $minutes, string $status, string $name): array => ['client' => $code, 'moment' => $at, 'minutes' => (string) $minutes, 'state' => $status, 'therapist' => $name];
        $was = $standing === null ? [] : $of($standing->client->code, $standing->starts_at->utc()->format('Y-m-d H:i'), $standing->minutes, $standing->status, $standing->user->name);
        $becomes = $of($client->code, $line->at->format('Y-m-d H:i'), $line->minutes, $line->status, $therapist->name);
        $changes = [];
        foreach ($becomes as $key => $value) {
            if (($was[$key] ?? null) !== $value) {
                $changes[] = ['key' => $key, 'name' => $key === 'moment' ? 'moment (UTC)' : $key, 'was' => $was[$key] ?? null, 'becomes' => $value];
            }
        }

        return ['title' => $title, 'state' => $standing === null ? 'new' : ($changes === [] ? 'same' : 'changed'), 'changes' => $changes, 'same' => count($becomes) - count($changes), 'left' => []];
    }

    private function client(User $user, AppointmentLine $line): ?Client
    {
        return Client::query()->where(['clinic_id' => $user->clinic_id, 'code' => $line->code])->whereNull('erased_at')->whereNull('merged_into_id')->first();
    }

    private function therapist(User $user, AppointmentLine $line): User
    {
        return User::query()->where(['clinic_id' => $user->clinic_id, 'email' => $line->therapist])->whereNull('deactivated_at')->first() ?? $user;
    }
}
