<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Appointment;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use Carbon\CarbonImmutable;

/** Begins a visit, or goes on with the one that is already open: two taps never make two visits. */
final readonly class StartVisit
{
    public function __construct(private Once $once, private TakeOverCheckBack $checkBack)
    {
    }

    /** @param  string  $key  the window's name for this deed: sent twice it is begun once */
    public function handle(Client $client, User $user, ?Appointment $appointment, string $key, CarbonImmutable $now): Visit
    {
        $begin = function () use ($client, $user, $appointment, $now): int {
            $open = $client->visits()->where('status', VisitStatus::Open)->latest('number')->first();
            if ($open !== null) {
                return $open->id;
            }
            $visit = $client->visits()->create([
                'clinic_id' => $client->clinic_id, 'user_id' => $user->id, 'appointment_id' => $appointment?->id,
                'number' => 1 + (int) $client->visits()->max('number'), 'status' => VisitStatus::Open,
                'minutes' => $appointment->minutes ?? $user->clinic->setting('visit_minutes'), 'last_step' => 'ask', 'started_at' => $now,
            ]);
            $client->update(['last_seen_at' => $now]);
            $appointment?->update(['status' => 'arrived']);
            $this->checkBack->handle($visit, $user);

            return $visit->id;
        };

        return Visit::query()->findOrFail($this->once->do($key, $user, 'visit begun', $begin));
    }
}
