<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SecondFactor;
use App\Models\User;
use App\Rules\CurrentPassword;
use App\Support\Audit;
use App\Support\AuditDeed;
use App\Support\Totp;
use App\Support\Tries;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Setting the second factor of one's own account up, and taking it away. */
final readonly class SecondFactorController
{
    private const WAITING = 'second_factor_waiting';

    /** A secret for the app; it counts only once a code has shown that the app has it. */
    public function create(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(['current' => CurrentPassword::rules($request, $user)]);
        $secret = Totp::secret();
        $request->session()->put(self::WAITING, $secret);

        return response()->json(['secret' => $secret, 'uri' => Totp::uri($secret, $user->email)]);
    }

    public function store(Request $request, #[CurrentUser] User $user, SecondFactor $factor): JsonResponse
    {
        $told = $request->validate(
            ['code' => ['required', 'string', 'regex:/^\d{6}$/']], ['code.regex' => 'Six digits, as the app shows them.'],
        );
        $secret = $request->session()->get(self::WAITING);
        $codes = null;
        Tries::of(
            'second factor', $user->email, $request, 'code',
        )->let(static function () use (&$codes, $factor, $user, $secret, $told): bool {
            return ($codes = is_string($secret) ? $factor->setUp($user, $secret, $told['code'], CarbonImmutable::now()) : null) !== null;
        });
        if ($codes === null) {
            throw ValidationException::withMessages(['code' => 'This is not the code of now. Is the clock of the phone right?']);
        }
        $request->session()->forget(self::WAITING);

        return response()->json(['codes' => $codes]);
    }

    /** Whoever found the password out, or a screen left open, does not get rid of it: it takes a code too. */
    public function destroy(Request $request, #[CurrentUser] User $user, SecondFactor $factor): RedirectResponse
    {
        $told = $request->validate(['current' => CurrentPassword::rules($request, $user), 'code' => ['required', 'string', 'max:20']]);
        if (
            ! Tries::of('second factor', $user->email, $request, 'code')->let(
                static fn (): bool => $factor->accepts($user, $told['code'], CarbonImmutable::now()),
            )
        ) {
            Audit::write(
                AuditDeed::refusedAtTheDoor(), $user, (string) $request->ip(), (string) $request->userAgent(),
                detail: 'second factor, to take it away', refused: true,
            );

            throw ValidationException::withMessages(['code' => 'This code is not the one of now, or was used already.']);
        }
        $factor->takeAway($user->refresh());

        return back()->with('message', 'The second factor is off.');
    }
}
