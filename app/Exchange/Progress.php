<?php

declare(strict_types=1);

namespace App\Exchange;

use Illuminate\Support\Facades\Cache;

/** How far a file has come, for the window that brings it in or fetches it: it asks by a token of its own while it waits for the answer. */
final class Progress
{
    /** What a token looks like. */
    public const TOKEN = '/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/';

    private const KEPT_SECONDS = 600;

    /** Told no oftener than that. */
    private const EVERY_SECONDS = 0.2;

    private string $name = '';

    private float $told = 0;

    public function begin(string $token, int $user): void
    {
        $this->name = $token === '' ? '' : self::name($token, $user);
    }

    public function tell(string $what, int $done, int $of): void
    {
        if ($this->name !== '' && microtime(true) - $this->told >= self::EVERY_SECONDS) {
            $this->told = microtime(true);
            Cache::put($this->name, ['what' => $what, 'done' => $done, 'of' => $of], self::KEPT_SECONDS);
        }
    }

    /** @return array{what: string, done: int, of: int}|null */
    public static function of(string $token, int $user): ?array
    {
        $told = Cache::get(self::name($token, $user));

        return is_array($told) ? ['what' => (string) $told['what'], 'done' => (int) $told['done'], 'of' => (int) $told['of']] : null;
    }

    private static function name(string $token, int $user): string
    {
        return "progress|$user|$token";
    }
}
