<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\Judgements;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
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
        $who = [
            'id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation, 'hand' => $client->hand,
            'age' => (int) $client->born_on->diffInYears(now()), 'stoic' => $client->stoic, 'skin' => $client->skin, 'words' => Words::of($client),
        ];
        $state = ['minutes' => $user->clinic->setting('visit_minutes'), 'erased' => $client->erased_at !== null, 'away' => $client->archived_at !== null];
        if (! $user->can('viewClinical', $client)) {
            return ['client' => $who, ...$state, 'clinical' => false, 'visits' => [], 'response' => null, 'safety' => null];
        }
        $visits = $client->visits()->latest('number')->get();
        $last = $visits->first()?->setRelation('client', $client);
        $judged = $last === null ? [] : $this->judgements->of($last, 'safety', 'response');
        $pains = $this->pains(array_values($visits->map(static fn (Visit $visit): int => $visit->id)->all()));

        return [
            'client' => $who, ...$state, 'clinical' => true,
            'visits' => $visits->map(static fn (Visit $visit): array => [
                'id' => $visit->public_id, 'number' => $visit->number, 'status' => $visit->status->value, 'origin' => $visit->origin, 'pain' => $pains[$visit->id] ?? null,
                'date' => $user->clinic->day($visit->started_at),
            ])->values(),
            'response' => $judged['response'] ?? null, 'safety' => $judged['safety'] ?? null,
        ];
    }

    /**
     * @param  list<int>  $visits
     * @return array<int, float> the strongest complaint of each visit
     */
    private function pains(array $visits): array
    {
        $pains = [];
        foreach (DB::table('entries')->whereIn('visit_id', $visits)->where(['kind' => 'complaint', 'phase' => 'before'])->get(['visit_id', 'payload']) as $row) {
            $now = json_decode((string) $row->payload, true)['now'] ?? null;
            if (is_numeric($now)) {
                $pains[(int) $row->visit_id] = max($pains[(int) $row->visit_id] ?? 0, (float) $now);
            }
        }

        return $pains;
    }
}
