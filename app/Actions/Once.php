<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * A deed that must not be done twice carries a key its window made: sent again, because no answer came or a finger was quick, it is told
 * what came of it the first time. Deed and key are written in one transaction, so that there is never one without the other.
 */
final readonly class Once
{
    private const KEPT_DAYS = 30;

    /**
     * @param  Closure(): int  $act  does it and gives the number of what came of it
     *
     * @throws ValidationException when the key was used for something else
     */
    public function do(string $key, User $user, string $deed, Closure $act): int
    {
        return DB::transaction(static function () use ($key, $user, $deed, $act): int {
            $known = DB::table('deeds')->where('key', $key)->first();
            if ($known !== null) {
                return (int) $known->user_id === $user->id && $known->deed === $deed
                    ? (int) $known->result
                    : throw ValidationException::withMessages([
                        'key' => 'This was sent before, for something else. Load the page anew, please.',
                    ]);
            }
            $result = $act();
            DB::table('deeds')->insert([
                'key' => $key, 'user_id' => $user->id, 'deed' => $deed, 'result' => $result,
                'done_at' => CarbonImmutable::now()->utc()->format('Y-m-d H:i:s'),
            ]);

            return $result;
        });
    }

    /** No window waits for an answer that long. */
    public function tidy(CarbonImmutable $now): int
    {
        return DB::table('deeds')->where('done_at', '<', $now->subDays(self::KEPT_DAYS)->utc()->format('Y-m-d H:i:s'))->delete();
    }
}
