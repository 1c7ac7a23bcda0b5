<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A browser that knows how long an answer is takes it at its end, and does not wait for what the server puts down after it. */
final class TellLength
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $content = $response->getContent(); // false of what is sent piece by piece or from a file
        if ($content !== false && ! $response->isEmpty()) {
            $response->headers->set('Content-Length', (string) strlen($content));
        }

        return $response;
    }
}
