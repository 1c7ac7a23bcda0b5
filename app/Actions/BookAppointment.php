<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;

final readonly class BookAppointment
{
    public function __construct(private Once $once)
    {
    }

    /** @param  string  $key  the window's name for this deed: sent twice it is booked once */
    public function handle(
        Client $client, User $user, CarbonImmutable $starts, int $minutes, ?string $reason, ?string $word, string $key,
    ): void {
        $this->once->do($key, $user, 'booked', static fn (): int => Appointment::query()->create([
            'clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'minutes' => $minutes,
            'reason' => $reason, 'word' => $word, 'starts_at' => $starts->utc(),
        ])->id);
    }
}
