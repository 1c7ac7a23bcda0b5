<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\TreatmentEvent;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;

/** Accepts what happened at the table: each event once, in any order, late or twice. */
final readonly class LogEvents
{
    /**
     * @param  list<array{id: string, type: string, step: string, payload: array<string, mixed>, happened_at: string}>  $events
     * @return list<string> the ids that are safely here now
     */
    public function handle(Visit $visit, User $user, array $events, CarbonImmutable $now): array
    {
        $rows = array_map(static fn (array $event): array => [
            'id' => $event['id'], 'visit_id' => $visit->id, 'user_id' => $user->id, 'type' => $event['type'], 'step' => $event['step'],
            'payload' => json_encode($event['payload'] === [] ? new \stdClass : $event['payload'], JSON_THROW_ON_ERROR),
            'happened_at' => CarbonImmutable::parse($event['happened_at'])->utc()->format('Y-m-d H:i:s.v'),
            'received_at' => $now->format('Y-m-d H:i:s.v'),
        ], $events);
        TreatmentEvent::query()->insertOrIgnore($rows);

        return array_values(TreatmentEvent::query()->where('visit_id', $visit->id)->whereIn('id', array_column($events, 'id'))->pluck('id')->all());
    }
}
