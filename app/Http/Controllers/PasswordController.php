<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\SendLink;
use App\Models\User;
use App\Rules\CurrentPassword;
use App\Support\Tries;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\Rules\Password as Strength;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/** Passwords that are forgotten, chosen for the first time, or changed. */
final readonly class PasswordController
{
    public function forgotten(): Response
    {
        return Inertia::render('Forgotten');
    }

    /** The answer is the same whether the address is known or not, and so is the time it takes: whether somebody has it is asked later. */
    public function send(Request $request): RedirectResponse
    {
        $asked = $request->validate(['email' => ['required', 'string', 'email', 'max:190']]);
        SendLink::dispatch($asked['email']);

        return back()->with('message', 'If this address has an account, a link is on its way. It holds an hour.');
    }

    public function create(Request $request, string $token): Response
    {
        return Inertia::render(
            'ChoosePassword', ['token' => $token, 'email' => (string) $request->string('email'), 'invited' => $request->boolean('invited')],
        );
    }

    public function store(Request $request): RedirectResponse
    {
        $told = $request->validate([
            'token' => ['required', 'string', 'max:120'], 'email' => ['required', 'string', 'email', 'max:190'], 'invited' => ['boolean'],
            'password' => ['required', 'string', 'confirmed', Strength::defaults()],
        ]);
        $kept = Tries::of(
            'link', $told['email'], $request, 'password',
        )->let(static fn (): bool => Password::broker($request->boolean('invited') ? 'invitations' : 'users')->reset(
            [...$request->only('token', 'email', 'password'), static fn ($query) => $query->whereNull('deactivated_at')],
            static function (User $person, string $password): void {
                $person->forceFill(['password' => $password, 'remember_token' => Str::random(60), 'invited_at' => null])->save();
            },
        ) === Password::PASSWORD_RESET);
        if (! $kept) {
            throw ValidationException::withMessages(['password' => 'This link is spent or too old. Ask for a new one.']);
        }

        return to_route('sign-in')->with('message', __('Kept. Sign in with it, :address.', ['address' => $told['email']]));
    }

    public function account(#[CurrentUser] User $user): Response
    {
        return Inertia::render(
            'Account',
            [
                'name' => $user->name, 'email' => $user->email, 'role' => $user->role->words(), 'second' => $user->second_factor !== null,
                'codesLeft' => count($user->recovery_codes),
            ],
        );
    }

    /** Everywhere else this account was signed in, it is out. */
    public function update(Request $request, #[CurrentUser] User $user): RedirectResponse
    {
        $told = $request->validate([
            'current' => CurrentPassword::rules($request, $user),
            'password' => ['required', 'string', 'confirmed', 'different:current', Strength::defaults()],
        ]);
        $user->forceFill(['password' => $told['password'], 'remember_token' => Str::random(60)])->save();
        Auth::login($user);
        $request->session()->regenerate();

        return back()->with('message', 'Kept. Everywhere else this account is signed out.');
    }

    public function everywhere(Request $request, #[CurrentUser] User $user): RedirectResponse
    {
        $told = $request->validate(['current' => CurrentPassword::rules($request, $user)]);
        Auth::logoutOtherDevices($told['current']);

        return back()->with('message', __('Only this window is signed in now, :name.', ['name' => $user->name]));
    }
}
