<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SecondFactor;
use App\Http\Requests\SignInRequest;
use App\Models\User;
use App\Support\Audit;
use App\Support\AuditDeed;
use Carbon\CarbonImmutable;
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

    private const HALF_WAY = 'half_way';

    private const HALF_WAY_MINUTES = 5;

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
        $user = Auth::validate($request->validated()) ? Auth::getLastAttempted() : null;
        if (! $user instanceof User || ! $user->isActive()) {
            RateLimiter::hit($name);
            $meant = Auth::getLastAttempted();
            Audit::write(AuditDeed::refusedAtTheDoor(), $meant instanceof User ? $meant : null, (string) $request->ip(), (string) $request->userAgent());

            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($name);
        $request->session()->regenerate(); // a session begun before sign-in is worth nothing after it
        if ($user->second_factor !== null) {
            $request->session()->put(self::HALF_WAY, ['user' => $user->id, 'until' => CarbonImmutable::now()->addMinutes(self::HALF_WAY_MINUTES)->getTimestamp()]);

            return to_route('second-step');
        }
        Auth::login($user);

        return redirect()->intended('/');
    }

    public function second(Request $request): Response|RedirectResponse
    {
        return $this->halfWay($request) === null ? to_route('sign-in') : Inertia::render('SecondStep');
    }

    public function finish(Request $request, SecondFactor $factor): RedirectResponse
    {
        $user = $this->halfWay($request);
        if ($user === null) {
            return to_route('sign-in')->with('message', 'That took too long. Sign in once more.');
        }
        $told = $request->validate(['code' => ['required', 'string', 'max:20']]);
        $name = "second|{$user->id}";
        if (RateLimiter::tooManyAttempts($name, self::TRIES_A_MINUTE)) {
            throw ValidationException::withMessages(['code' => 'Too many tries. Wait '.RateLimiter::availableIn($name).' seconds, please.'])->status(429);
        }
        if (! $factor->accepts($user, $told['code'], CarbonImmutable::now())) {
            RateLimiter::hit($name);
            Audit::write(AuditDeed::refusedAtTheDoor(), $user, (string) $request->ip(), (string) $request->userAgent(), detail: 'second factor');

            throw ValidationException::withMessages(['code' => 'This code is not the one of now, or was used already.']);
        }
        RateLimiter::clear($name);
        $request->session()->forget(self::HALF_WAY);
        $request->session()->regenerate();
        Auth::login($user->refresh());

        return redirect()->intended('/');
    }

    /** Who has told the password and not yet the code. */
    private function halfWay(Request $request): ?User
    {
        $half = $request->session()->get(self::HALF_WAY);
        if (! is_array($half) || ($half['until'] ?? 0) < CarbonImmutable::now()->getTimestamp()) {
            return null;
        }

        return User::query()->whereNull('deactivated_at')->whereKey($half['user'] ?? 0)->first();
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return to_route('sign-in');
    }
}
