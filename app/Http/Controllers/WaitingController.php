<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Once;
use App\Http\Requests\WaitRequest;
use App\Models\Client;
use App\Models\User;
use App\Models\Waiting;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

/** Who waits for a time that becomes free: once a client, the last wish holds. */
final readonly class WaitingController
{
    public function store(WaitRequest $request, Client $client, #[CurrentUser] User $user, Once $once): RedirectResponse
    {
        $wish = $request->safe();
        $once->do($request->key(), $user, 'put on the waiting list', static fn (): int => Waiting::query()->updateOrCreate(
            ['clinic_id' => $client->clinic_id, 'client_id' => $client->id, 'settled_at' => null],
            [
                'user_id' => $request->filled('person') ? $request->integer('person') : null, 'minutes' => $wish->integer('minutes'),
                'days' => $wish['weekdays'] ?? [], 'part' => $wish['part'] ?? 'any', 'word' => $wish->string('word')->value() ?: null,
            ],
        )->id);

        return back()->with('message', __(':name waits for a time.', ['name' => $client->name]));
    }

    public function destroy(Waiting $waiting): RedirectResponse
    {
        Gate::authorize('update', $waiting->client);
        $waiting->update(['settled_at' => $waiting->settled_at ?? CarbonImmutable::now()]);

        return back()->with('message', __(':name waits no longer.', ['name' => $waiting->client->name]));
    }
}
