<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\SignInRequest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

final readonly class SessionController
{
    private const TRIES_A_MINUTE = 5;

    public function create(): Response
    {
        return Inertia::render('SignIn');
    }

    public function store(SignInRequest $request): RedirectResponse
    {
        $name = Str::lower((string) $request->string('email')).'|'.$request->ip();
        if (RateLimiter::tooManyAttempts($name, self::TRIES_A_MINUTE)) {
            throw ValidationException::withMessages(['email' => 'Too many tries. Wait '.RateLimiter::availableIn($name).' seconds, please.'])->status(429);
        }
        if (! Auth::attempt($request->validated())) {
            RateLimiter::hit($name);

            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($name);
        $request->session()->regenerate(); // a session begun before sign-in is worth nothing after it

        return redirect()->intended('/');
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return to_route('sign-in');
    }
}
