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

        return to_route('people')->with('message', __(':name is invited. The link in the mail holds a week.', ['name' => $person->name]));
    }

    public function update(PersonRequest $request, User $person, ChangePerson $change): RedirectResponse
    {
        $change->change($person, $request->role(), $request->told());

        $role = $request->role()->words();

        return to_route('people')->with('message', __('Kept. :name is now :role.', ['name' => $person->name, 'role' => $role]));
    }

    public function close(User $person, ChangePerson $change): RedirectResponse
    {
        Gate::authorize('manage', $person);
        $change->close($person, CarbonImmutable::now());

        return to_route('people')->with('message', __(':name can no longer sign in. What was written stays.', ['name' => $person->name]));
    }

    public function open(User $person, ChangePerson $change): RedirectResponse
    {
        Gate::authorize('manage', $person);
        $change->open($person);

        return to_route('people')->with('message', __(':name can sign in again.', ['name' => $person->name]));
    }

    /** For somebody who lost both the app and the recovery codes: the password alone opens again until they set it up anew. */
    public function resetSecondFactor(User $person, #[CurrentUser] User $user, SecondFactor $factor): RedirectResponse
    {
        Gate::authorize('manage', $person);
        abort_if($person->is($user), 403); // one's own is taken away with a code, under one's own name
        $factor->takeAway($person);

        return to_route('people')->with('message', __(':name signs in with the password alone now.', ['name' => $person->name]));
    }

    public function remind(User $person, #[CurrentUser] User $user): RedirectResponse
    {
        Gate::authorize('manage', $person);
        abort_if($person->invited_at === null || ! $person->isActive(), 404);
        SendLink::dispatch($person->email, $user->name);

        return to_route('people')->with('message', 'The invitation was sent once more; the earlier link is void.');
    }
}
