<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Str;

/**
 * Whether a screen is locked, and when its owner last touched it. Kept beside the session and not in it: a session is written back whole by
 * whichever of several requests ends last, and one that began before the lock would open it again.
 */
final readonly class ScreenLock
{
    /** A request that asks for what nobody touched says so by this header. */
    public const BACKGROUND = 'X-Background';

    /** The window covers itself first; this is for one that does not. */
    private const GRACE_SECONDS = 60;

    private const WRITTEN_AGAIN_SECONDS = 10;

    private const SESSION_KEY = 'screen';

    private string $name;

    public function __construct(Request $request)
    {
        $screen = $request->session()->get(self::SESSION_KEY);
        $this->name = 'screen|'.(is_string($screen) ? $screen : self::begin($request));
    }

    /** A screen of its own for each session, named when somebody signs in. */
    public static function begin(Request $request): string
    {
        $name = Str::random(40);
        $request->session()->put(self::SESSION_KEY, $name);

        return $name;
    }

    public function isLocked(int $idleMinutes): bool
    {
        $state = $this->state();

        return $state['locked']
            || ($state['touched'] !== null && $this->now() - $state['touched'] > $idleMinutes * 60 + self::GRACE_SECONDS);
    }

    public function lock(): void
    {
        $this->keep(true, $this->state()['touched'] ?? $this->now());
    }

    public function open(): void
    {
        $this->keep(false, $this->now());
    }

    public function touch(): void
    {
        if ($this->now() - ($this->state()['touched'] ?? 0) >= self::WRITTEN_AGAIN_SECONDS) {
            $this->keep(false, $this->now());
        }
    }

    /** @return array{locked: bool, touched: int|null} */
    private function state(): array
    {
        $state = Cache::get($this->name);

        return is_array($state)
            ? ['locked' => $state['locked'] === true, 'touched' => (int) $state['touched']]
            : ['locked' => false, 'touched' => null];
    }

    private function keep(bool $locked, int $touched): void
    {
        Cache::put($this->name, ['locked' => $locked, 'touched' => $touched], Config::integer('session.lifetime') * 60);
    }

    private function now(): int
    {
        return CarbonImmutable::now()->getTimestamp();
    }
}
