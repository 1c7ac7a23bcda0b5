<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SecondFactor;
use App\Http\Requests\SignInRequest;
use App\Models\User;
use App\Support\Audit;
use App\Support\AuditDeed;
use App\Support\ScreenLock;
use App\Support\Tries;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

final readonly class SessionController
{
    private const HALF_WAY = 'half_way';

    private const HALF_WAY_MINUTES = 5;

    public function create(): Response
    {
        return Inertia::render('SignIn');
    }

    public function store(SignInRequest $request): HttpResponse
    {
        $email = (string) $request->string('email');
        $meant = User::query()->where('email', $email)->first();
        // an address nobody has is looked at as long as one somebody has
        $right = Tries::of('password', $email, $request, 'email')->let(
            static fn (): bool => Hash::check((string) $request->string('password'), $meant->password ?? self::nobodys())
                && $meant?->isActive() === true,
        );
        if (! $right || $meant === null) {
            Audit::write(AuditDeed::refusedAtTheDoor(), $meant, (string) $request->ip(), (string) $request->userAgent(), refused: true);

            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        $user = $meant;
        if (Hash::needsRehash($user->password)) {
            $user->forceFill(['password' => (string) $request->string('password')])->save();
        }
        $request->session()->regenerate(); // a session begun before sign-in is worth nothing after it
        if ($user->second_factor !== null) {
            $request->session()->put(
                self::HALF_WAY,
                ['user' => $user->id, 'until' => CarbonImmutable::now()->addMinutes(self::HALF_WAY_MINUTES)->getTimestamp()],
            );

            return to_route('second-step');
        }
        Auth::login($user);
        ScreenLock::begin($request);

        return $this->in();
    }

    public function second(Request $request): Response|RedirectResponse
    {
        return $this->halfWay($request) === null ? to_route('sign-in') : Inertia::render('SecondStep');
    }

    public function finish(Request $request, SecondFactor $factor): HttpResponse
    {
        $user = $this->halfWay($request);
        if ($user === null) {
            return to_route('sign-in')->with('message', 'That took too long. Sign in once more.');
        }
        $told = $request->validate(['code' => ['required', 'string', 'max:20']]);
        if (
            ! Tries::of('second factor', $user->email, $request, 'code')->let(
                static fn (): bool => $factor->accepts($user, $told['code'], CarbonImmutable::now()),
            )
        ) {
            Audit::write(
                AuditDeed::refusedAtTheDoor(), $user, (string) $request->ip(), (string) $request->userAgent(), detail: 'second factor',
                refused: true,
            );

            throw ValidationException::withMessages(['code' => 'This code is not the one of now, or was used already.']);
        }
        $request->session()->forget(self::HALF_WAY);
        $request->session()->regenerate();
        Auth::login($user->refresh());
        ScreenLock::begin($request);

        return $this->in();
    }

    /** By a page of its own: it brings the key under which this person's unsent things lie in this browser. */
    private function in(): HttpResponse
    {
        return Inertia::location(redirect()->intended('/')->getTargetUrl());
    }

    /** A hash that no password fits, as dear to check as any: made once for each cost. */
    private static function nobodys(): string
    {
        return Cache::rememberForever(
            'nobodys password '.json_encode(Config::get('hashing.bcrypt.rounds')), static fn (): string => Hash::make(Str::random(40)),
        );
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

    /** The whole page goes, and with it all that it remembered. */
    public function destroy(Request $request): HttpResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
        Inertia::clearHistory();

        return Inertia::location(route('sign-in'));
    }
}
