<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CreateClient;
use App\Actions\UpdateClient;
use App\Cases\ClientDetails;
use App\Http\Pages\ClientEditPage;
use App\Http\Pages\ClientPage;
use App\Http\Pages\ClientsPage;
use App\Http\Pages\ComparePage;
use App\Http\Requests\StoreClientRequest;
use App\Models\Client;
use App\Models\ClientContact;
use App\Models\Right;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final readonly class ClientController
{
    private const FOUND = 12;

    private const FIND = 'clients.looked_for';

    public function index(Request $request, #[CurrentUser] User $user, ClientsPage $page): Response
    {
        Gate::authorize('create', Client::class);

        return Inertia::render(
            'Client/Index',
            $page->of(
                $user, (string) $request->string('sort'), (string) $request->session()->get(self::FIND, ''), $request->boolean('away'),
            ),
        );
    }

    /** Keeps what is looked for in the list; it is kept with the window, not in its address. */
    public function find(Request $request): RedirectResponse
    {
        Gate::authorize('create', Client::class);
        $told = $request->validate(['q' => ['nullable', 'string', 'max:120']]);
        $request->session()->put(self::FIND, trim((string) ($told['q'] ?? '')));

        return back();
    }

    public function create(#[CurrentUser] User $user): Response
    {
        return Inertia::render(
            'Client/New',
            [
                'clinical' => $user->may(Right::ReadClinical), 'kinds' => ClientContact::KINDS,
                'mostContacts' => ClientDetails::MOST_CONTACTS,
            ],
        );
    }

    public function store(StoreClientRequest $request, #[CurrentUser] User $user, CreateClient $create): RedirectResponse
    {
        return to_route('clients.show', $create->once($user, $request->validated(), $request->key()));
    }

    public function edit(Client $client, #[CurrentUser] User $user, ClientEditPage $page): Response
    {
        Gate::authorize('update', $client);

        return Inertia::render('Client/Edit', $page->of($client, $user));
    }

    public function update(StoreClientRequest $request, Client $client, #[CurrentUser] User $user, UpdateClient $update): RedirectResponse
    {
        $update->handle($client, $user, $request->validated());

        return to_route('clients.show', $client)->with('message', 'Kept.');
    }

    public function show(Client $client, #[CurrentUser] User $user, ClientPage $page): Response|RedirectResponse
    {
        Gate::authorize('view', $client);
        if ($client->merged_into_id !== null) {
            return to_route('clients.show', Client::query()->findOrFail($client->merged_into_id))->with(
                'message', __(':code was the same person: its record is here.', ['code' => $client->code]),
            );
        }

        return Inertia::render('Client/Show', $page->of($client, $user));
    }

    public function compare(Request $request, Client $client, #[CurrentUser] User $user, ComparePage $page): Response
    {
        Gate::authorize('viewClinical', $client);

        return Inertia::render(
            'Client/Compare', $page->of($client, $user, (string) $request->string('from'), (string) $request->string('to')),
        );
    }

    /** Any part of the name, or the code; those seen last come first. */
    public function search(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $asked = trim((string) $request->string('q'));

        $found = Client::present($user->clinic_id)->called($asked)->orderByDesc('last_seen_at')->orderBy('name')->limit(self::FOUND);

        return response()->json($asked === '' ? [] : $found->get()->map(static fn (Client $client): array => [
            'id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation,
        ]));
    }
}
