<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\Judgements;
use App\Models\CheckIn;
use App\Models\Client;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** One client: who, the course so far with what it means, the visits, and the way into the next. */
final readonly class ClientPage
{
    public function __construct(private Judgements $judgements)
    {
    }

    /** @return array<string, mixed> */
    public function of(Client $client, User $user): array
    {
        $clinical = $user->can('viewClinical', $client);
        $who = [
            'id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation,
            'hand' => $clinical ? $client->hand : null, 'stoic' => $clinical && $client->stoic,
            'age' => (int) $client->born_on->diffInYears(now()), 'words' => Words::of($client),
        ];
        $state = [
            'minutes' => $user->clinic->setting('visit_minutes'), 'erased' => $client->erased_at !== null,
            'away' => $client->archived_at !== null, 'checkIn' => CheckIn::standing(collect([$client->id]))->get($client->id),
            ...$this->people($client, $user),
        ];
        if (! $clinical) {
            return ['client' => $who, ...$state, 'clinical' => false, 'visits' => [], 'response' => null, 'safety' => null];
        }
        // a course of years is many visits: read raw, with the one that is judged alone as a model
        $visits = DB::table('visits')
            ->where('client_id', $client->id)
            ->orderByDesc('number')
            ->get(['id', 'public_id', 'number', 'status', 'origin', 'started_at']);
        $last = $client->visits()->latest('number')->first()?->setRelation('client', $client);
        $judged = $last === null ? [] : $this->judgements->of($last, 'safety', 'response');
        $pains = $this->pains($client);
        $zone = new \DateTimeZone($user->clinic->timezone);
        $utc = new \DateTimeZone('UTC');

        return [
            'client' => $who, ...$state, 'clinical' => true,
            'visits' => $visits->map(static fn (\stdClass $visit): array => [
                'id' => $visit->public_id, 'number' => (int) $visit->number, 'status' => $visit->status, 'origin' => $visit->origin,
                'pain' => $pains[(int) $visit->id] ?? null,
                'date' => (new \DateTimeImmutable((string) $visit->started_at, $utc))->setTimezone($zone)->format('Y-m-d'),
            ])->values(),
            'response' => $judged['response'] ?? null, 'safety' => $judged['safety'] ?? null,
        ];
    }

    /**
     * @return array{people: list<array{id: int, name: string}>, with: int|null} who treats here, and with whom one would book this client
     */
    private function people(Client $client, User $user): array
    {
        $people = User::atTheTable($user->clinic_id)->get(['id', 'name']);
        $treats = $people->contains('id', $user->id);

        return [
            'people' => array_values($people->map(static fn (User $one): array => ['id' => $one->id, 'name' => $one->name])->all()),
            // the desk books with whoever treated them last
            'with' => $treats ? $user->id : $people->firstWhere('id', $client->visits()->latest('number')->value('user_id'))?->id,
        ];
    }

    /** @return array<int, float> the strongest complaint of each visit */
    private function pains(Client $client): array
    {
        return DB::table('entries')
            ->where(['client_id' => $client->id, 'kind' => 'complaint', 'phase' => 'before'])
            ->whereNull('fault')
            ->groupBy('visit_id')
            ->selectRaw("visit_id, max(json_extract(payload, '$.now')) as now")->pluck('now', 'visit_id')
            ->filter(static fn (mixed $now): bool => is_numeric($now))->map(static fn (mixed $now): float => (float) $now)->all();
    }
}
