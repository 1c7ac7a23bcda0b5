<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangePerson;
use App\Actions\SecondFactor;
use App\Http\Pages\PeoplePage;
use App\Http\Requests\PersonRequest;
use App\Jobs\SendLink;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final readonly class PeopleController
{
    public function index(#[CurrentUser] User $user, PeoplePage $page): Response
    {
        Gate::authorize('viewAny', User::class);

        return Inertia::render('People', $page->of($user));
    }

    public function store(PersonRequest $request, #[CurrentUser] User $user, ChangePerson $change): RedirectResponse
    {
        $person = $change->invite(
            $user, $request->role(),
            ['name' => (string) $request->string('name'), 'email' => (string) $request->string('email'), ...$request->told()],
            CarbonImmutable::now(),
        );

        return to_route('people')->with('message', "{$person->name} is invited. The link in the mail holds a week.");
    }

    public function update(PersonRequest $request, User $person, ChangePerson $change): RedirectResponse
    {
        $change->change($person, $request->role(), $request->told());

        return to_route('people')->with('message', "Kept. {$person->name} is now {$request->role()->words()}.");
    }

    public function close(User $person, ChangePerson $change): RedirectResponse
    {
        Gate::authorize('manage', $person);
        $change->close($person, CarbonImmutable::now());

        return to_route('people')->with('message', "{$person->name} can no longer sign in. What was written stays.");
    }

    public function open(User $person, ChangePerson $change): RedirectResponse
    {
        Gate::authorize('manage', $person);
        $change->open($person);

        return to_route('people')->with('message', "{$person->name} can sign in again.");
    }

    /** For somebody who lost both the app and the recovery codes: the password alone opens again until they set it up anew. */
    public function resetSecondFactor(User $person, #[CurrentUser] User $user, SecondFactor $factor): RedirectResponse
    {
        Gate::authorize('manage', $person);
        abort_if($person->is($user), 403); // one's own is taken away with a code, under one's own name
        $factor->takeAway($person);

        return to_route('people')->with('message', "{$person->name} signs in with the password alone now.");
    }

    public function remind(User $person, #[CurrentUser] User $user): RedirectResponse
    {
        Gate::authorize('manage', $person);
        abort_if($person->invited_at === null || ! $person->isActive(), 404);
        SendLink::dispatch($person->email, $user->name);

        return to_route('people')->with('message', 'The invitation was sent once more; the earlier link is void.');
    }
}
