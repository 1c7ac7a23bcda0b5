<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** While a screen is locked nothing gets past it, by reload or by request; what a window still has to send waits there. */
final class KeepLocked
{
    public const KEY = 'locked';

    public const BACK = 'locked_at';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->session()->has(self::KEY) || $request->user() === null || $request->routeIs('lock.*', 'sign-out')) {
            return $next($request);
        }
        if ($request->expectsJson() || ! $request->isMethod('GET')) {
            return response()->json(['message' => 'The screen is locked.'], 423);
        }
        $request->session()->put(self::BACK, $request->getRequestUri());

        return redirect()->route('lock.show');
    }
}
