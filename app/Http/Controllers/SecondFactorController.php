<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SecondFactor;
use App\Models\User;
use App\Support\Totp;
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
        $request->validate(['current' => ['required', 'current_password']], ['current.current_password' => 'This is not your password now.']);
        $secret = Totp::secret();
        $request->session()->put(self::WAITING, $secret);

        return response()->json(['secret' => $secret, 'uri' => Totp::uri($secret, $user->email)]);
    }

    public function store(Request $request, #[CurrentUser] User $user, SecondFactor $factor): JsonResponse
    {
        $told = $request->validate(['code' => ['required', 'string', 'regex:/^\d{6}$/']], ['code.regex' => 'Six digits, as the app shows them.']);
        $secret = $request->session()->get(self::WAITING);
        $codes = is_string($secret) ? $factor->setUp($user, $secret, $told['code'], CarbonImmutable::now()) : null;
        if ($codes === null) {
            throw ValidationException::withMessages(['code' => 'This is not the code of now. Is the clock of the phone right?']);
        }
        $request->session()->forget(self::WAITING);

        return response()->json(['codes' => $codes]);
    }

    public function destroy(Request $request, #[CurrentUser] User $user, SecondFactor $factor): RedirectResponse
    {
        $request->validate(['current' => ['required', 'current_password']], ['current.current_password' => 'This is not your password now.']);
        $factor->takeAway($user);

        return back()->with('message', 'The second factor is off.');
    }
}
