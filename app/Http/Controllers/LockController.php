<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\KeepLocked;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/** A screen that was left: nothing is read or written behind it until its owner is back, and then it goes on where it was. */
final readonly class LockController
{
    private const TRIES_A_MINUTE = 5;

    public function close(Request $request): JsonResponse
    {
        $request->session()->put(KeepLocked::KEY, true);

        return response()->json(['locked' => true]);
    }

    public function show(Request $request): Response|RedirectResponse
    {
        return $request->session()->has(KeepLocked::KEY) ? Inertia::render('Locked', ['back' => (string) $request->session()->get(KeepLocked::BACK, '/')]) : to_route('today');
    }

    public function open(Request $request, #[CurrentUser] User $user): JsonResponse|RedirectResponse
    {
        $told = $request->validate(['password' => ['required', 'string', 'max:190']]);
        $name = "unlock|{$user->id}";
        if (RateLimiter::tooManyAttempts($name, self::TRIES_A_MINUTE)) {
            throw ValidationException::withMessages(['password' => 'Too many tries. Wait '.RateLimiter::availableIn($name).' seconds, please.'])->status(429);
        }
        if (! Hash::check($told['password'], $user->password)) {
            RateLimiter::hit($name);

            throw ValidationException::withMessages(['password' => 'This is not your password.']);
        }
        RateLimiter::clear($name);
        $request->session()->forget(KeepLocked::KEY);

        return $request->expectsJson() ? response()->json(['locked' => false]) : redirect()->to((string) $request->session()->pull(KeepLocked::BACK, '/'));
    }
}
