<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CreateClient;
use App\Http\Pages\ClientPage;
use App\Http\Pages\ComparePage;
use App\Http\Requests\StoreClientRequest;
use App\Models\Client;
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

    public function create(): Response
    {
        return Inertia::render('Client/New');
    }

    public function store(StoreClientRequest $request, #[CurrentUser] User $user, CreateClient $create): RedirectResponse
    {
        return to_route('clients.show', $create->handle($user, $request->validated()));
    }

    public function show(Client $client, #[CurrentUser] User $user, ClientPage $page): Response
    {
        Gate::authorize('view', $client);

        return Inertia::render('Client/Show', $page->of($client, $user));
    }

    public function compare(Request $request, Client $client, #[CurrentUser] User $user, ComparePage $page): Response
    {
        Gate::authorize('viewClinical', $client);

        return Inertia::render('Client/Compare', $page->of($client, $user, (string) $request->string('from'), (string) $request->string('to')));
    }

    /** Any part of the name, or the code; those seen last come first. */
    public function search(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $words = array_filter(explode(' ', Client::folded((string) $request->string('q'))));
        $clients = Client::query()->where('clinic_id', $user->clinic_id);
        foreach ($words as $word) {
            $clients->where('search', 'like', '%'.addcslashes($word, '%_\\').'%');
        }

        return response()->json($words === [] ? [] : $clients->orderByDesc('last_seen_at')->orderBy('name')->limit(self::FOUND)->get()
            ->map(static fn (Client $client): array => ['id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'occupation' => $client->occupation]));
    }
}
