<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\Diary;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use App\Models\Waiting;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Books a client, once or every so many weeks; who waited for a time waits no longer. */
final readonly class BookAppointment
{
    public function __construct(private Once $once, private Diary $diary)
    {
    }

    /**
     * @param  non-empty-list<CarbonImmutable>  $starts  more than one is a series
     * @param  array{minutes: int, reason?: string|null, word?: string|null, status?: string}  $about
     * @param  string  $key  the window's name for this deed: sent twice it is booked once
     * @param  bool  $anyway  though it overlaps
     *
     * @throws ValidationException when it overlaps; nothing is booked
     */
    public function handle(Client $client, User $therapist, User $by, array $starts, array $about, string $key, bool $anyway): void
    {
        $series = count($starts) > 1 ? Str::lower((string) Str::ulid()) : null;
        // looked at where it is written: of two who book the same time at once the second is told
        $this->once->do($key, $by, 'booked', function () use ($client, $therapist, $starts, $about, $series, $anyway): int {
            if (! $anyway) {
                $this->diary->refuse(array_merge(...array_map(
                    fn (CarbonImmutable $at): array => $this->diary->clashes($therapist, $client, $at, $about['minutes']), $starts,
                )));
            }
            $booked = array_map(static fn (CarbonImmutable $at): int => Appointment::query()->create([
                'clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'user_id' => $therapist->id,
                'starts_at' => $at->utc(), 'series' => $series, ...$about,
            ])->id, $starts);
            Waiting::settle($client->id);

            return $booked[0];
        });
    }
}
