<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\ClientChanges;
use App\Cases\ClientDetails;
use App\Models\Client;
use App\Models\User;

/** Changes who a client is; what stood there before is kept beside it. */
final readonly class UpdateClient
{
    /** @param  array<string, mixed>  $details with all contacts: those that are not named are gone */
    public function handle(Client $client, User $user, array $details): void
    {
        ClientChanges::of($client, $user, function () use ($client, $details): void {
            $client->update([
                ...array_intersect_key($details, array_flip(ClientDetails::KEYS)),
                'search' => Client::foundBy((string) $details['name'], $client->code, $details['phone'] ?? null),
            ]);
            $this->contacts($client, array_values((array) ($details['contacts'] ?? [])));
        });
    }

    /** @param  list<array<string, mixed>>  $contacts */
    public function contacts(Client $client, array $contacts): void
    {
        $client->contacts()->delete();
        $client->contacts()->createMany($contacts);
        $client->unsetRelation('contacts');
    }
}
