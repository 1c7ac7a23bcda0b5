<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\ClientDetails;
use App\Models\Client;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class CreateClient
{
    public function __construct(private UpdateClient $update, private Once $once)
    {
    }

    /**
     * @param  array<string, mixed>  $details
     * @param  string  $key  the window's name for this deed: sent twice, one client is written down
     */
    public function once(User $user, array $details, string $key): Client
    {
        return Client::query()->findOrFail($this->once->do(
            $key, $user, 'client written down', fn (): int => $this->handle($user, $details)->id,
        ));
    }

    /** @param  array<string, mixed>  $details */
    public function handle(User $user, array $details): Client
    {
        $name = (string) $details['name'];
        $brought = $details['code'] ?? null; // a file may bring the code that was given elsewhere

        return DB::transaction(function () use ($user, $details, $name, $brought): Client {
            $code = is_string($brought) ? $brought : (new ClientCodes($user->clinic_id))->next($name);
            $client = Client::query()->create([
                ...array_intersect_key($details, array_flip(ClientDetails::KEYS)), 'clinic_id' => $user->clinic_id, 'code' => $code,
                'search' => Client::foundBy($name, $code, $details['phone'] ?? null),
            ]);
            $this->update->contacts($client, array_values((array) ($details['contacts'] ?? [])));

            return $client;
        });
    }
}
