<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Support\ScreenLock;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * While a screen is locked, or nobody has touched it for so long that it should be, nothing gets past it, by reload or by request; what a
 * window still has to send waits there.
 */
final class KeepLocked
{
    public const BACK = 'locked_at';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if (! $user instanceof User || $request->routeIs('lock.*', 'sign-out')) {
            return $next($request);
        }
        $lock = new ScreenLock($request);
        if (! $lock->isLocked((int) $user->setting('idle_minutes'))) {
            if (! $request->hasHeader(ScreenLock::BACKGROUND)) {
                $lock->touch();
            }

            return $next($request);
        }
        $lock->lock();
        if ($request->expectsJson() || ! $request->isMethod('GET')) {
            return response()->json(['message' => 'The screen is locked.'], 423);
        }
        $request->session()->put(self::BACK, $request->getRequestUri());

        return redirect()->route('lock.show');
    }
}
