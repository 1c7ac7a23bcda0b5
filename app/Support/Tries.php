<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Every check of a password or a code goes through here: so many a minute for an account from one address, some more for it from
 * everywhere, and some more from one address for whomever. A try is counted before it is looked at, so that of many at once none slips
 * through; a right one is taken back.
 */
final readonly class Tries
{
    private const A_MINUTE = ['here' => 5, 'account' => 15, 'address' => 40];

    /** @param  array<string, string>  $names of the counters */
    private function __construct(private array $names, private string $field)
    {
    }

    /**
     * @param  string  $what  password, second factor …: each is counted by itself
     * @param  string  $account  whose it is, or is said to be
     * @param  string  $field  where a form shows the words
     */
    public static function of(string $what, string $account, Request $request, string $field): self
    {
        $account = Str::lower($account);
        $ip = (string) $request->ip();

        return new self(['here' => "$what|$account|$ip", 'account' => "$what|$account", 'address' => "$what||$ip"], $field);
    }

    /**
     * @param  Closure(): bool  $check
     *
     * @throws ValidationException 429 when there were too many
     */
    public function let(Closure $check): bool
    {
        foreach ($this->names as $which => $name) {
            if (RateLimiter::tooManyAttempts($name, self::A_MINUTE[$which])) {
                throw ValidationException::withMessages([
                    $this->field => __('Too many tries. Wait :seconds seconds, please.', ['seconds' => RateLimiter::availableIn($name)]),
                ])->status(429);
            }
        }
        foreach ($this->names as $name) {
            RateLimiter::hit($name);
        }
        if (! $check()) {
            return false;
        }
        RateLimiter::clear($this->names['here']);
        RateLimiter::decrement($this->names['account']);
        RateLimiter::decrement($this->names['address']);

        return true;
    }
}
