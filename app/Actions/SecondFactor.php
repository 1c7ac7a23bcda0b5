<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Totp;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/**
 * The second factor of an account: set up with an authenticator app, asked at sign-in, and opened by a recovery code when the app is lost.
 */
final readonly class SecondFactor
{
    private const RECOVERY_CODES = 8;

    /** @return list<string>|null recovery codes, shown once; null when the code does not belong to the secret */
    public function setUp(User $user, string $secret, string $code, CarbonImmutable $now): ?array
    {
        $step = Totp::ofBase32($secret)->stepOf($code, $now->getTimestamp());
        if ($step === null) {
            return null;
        }
        $codes = array_map(static fn (): string => Str::lower(Str::random(5).'-'.Str::random(5)), range(1, self::RECOVERY_CODES));
        $user->forceFill([
            'second_factor' => $secret, 'second_factor_step' => $step,
            'recovery_codes' => array_map(static fn (string $one): string => Hash::make($one), $codes),
        ])->save();

        return $codes;
    }

    public function takeAway(User $user): void
    {
        $user->forceFill(['second_factor' => null, 'second_factor_step' => 0, 'recovery_codes' => []])->save();
    }

    /** A code of the app counts once, and a recovery code is spent by its use; two requests at once cannot both have it. */
    public function accepts(User $user, string $code, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($user, $code, $now): bool {
            $user = User::query()->lockForUpdate()->findOrFail($user->id);
            $code = Str::lower(str_replace(' ', '', $code));
            $step = $user->second_factor === null || preg_match('/^\d{6}$/', $code) !== 1
                ? null
                : Totp::ofBase32($user->second_factor)->stepOf($code, $now->getTimestamp(), $user->second_factor_step);
            if ($step !== null) {
                return $user->forceFill(['second_factor_step' => $step])->save();
            }
            $left = array_values(array_filter($user->recovery_codes, static fn (string $hash): bool => ! Hash::check($code, $hash)));

            return count($left) < count($user->recovery_codes) && $user->forceFill(['recovery_codes' => $left])->save();
        });
    }
}
