<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EraseClient;
use App\Actions\MergeClients;
use App\Cases\ClientChanges;
use App\Http\Requests\MergeRequest;
use App\Models\Client;
use App\Models\Merge;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/** Putting clients away, making doubles one, erasing on request. */
final readonly class ClientKeepingController
{
    public function archive(Client $client, #[CurrentUser] User $user): RedirectResponse
    {
        Gate::authorize('update', $client);
        ClientChanges::of($client, $user, static fn () => $client->update(['archived_at' => CarbonImmutable::now()]));

        return to_route('clients.show', $client)->with(
            'message', 'Put away: found only where those put away are asked for. Nothing is lost.',
        );
    }

    public function unarchive(Client $client, #[CurrentUser] User $user): RedirectResponse
    {
        Gate::authorize('update', $client);
        ClientChanges::of($client, $user, static fn () => $client->update(['archived_at' => null]));

        return to_route('clients.show', $client)->with('message', 'Here again.');
    }

    public function merge(MergeRequest $request, Client $client, #[CurrentUser] User $user, MergeClients $merge): RedirectResponse
    {
        $other = $request->other();
        $merge->handle($client, $other, $user, CarbonImmutable::now());

        return to_route('clients.edit', $client)->with(
            'message', __('The record of :code is in this one now. It can be undone below.', ['code' => $other->code]),
        );
    }

    public function unmerge(Request $request, Client $client, #[CurrentUser] User $user, MergeClients $merge): RedirectResponse
    {
        Gate::authorize('merge', $client);
        $one = Merge::query()->where('kept_id', $client->id)->whereNull('undone_at')->findOrFail($request->integer('merge'));
        $merge->undo($one, $user, CarbonImmutable::now());

        return to_route('clients.edit', $client)->with('message', 'Two records again.');
    }

    public function erase(Request $request, Client $client, #[CurrentUser] User $user, EraseClient $erase): RedirectResponse
    {
        Gate::authorize('erase', $client);
        $request->validate(
            ['code' => ['required', Rule::in([$client->code])]],
            [
                'code' => __('Write :code, to be sure it is the one meant.', ['code' => $client->code]),
            ],
        );
        $wholly = $erase->handle($client, $user->clinic, CarbonImmutable::now());

        return to_route('clients.index')->with(
            'message',
            $wholly
                ? __(':code is erased, the record too.', ['code' => $client->code])
                : __('What told who :code is is erased. The record the law keeps stays, under the bare code.', ['code' => $client->code]),
        );
    }
}
