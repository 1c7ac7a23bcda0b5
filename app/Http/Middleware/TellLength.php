<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A browser that knows how long an answer is takes it at its end, and does not wait for what the server puts down after it. */
final class TellLength
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $streams = $response instanceof StreamedResponse || $response instanceof BinaryFileResponse;
        if (! $streams && ! $response->isEmpty() && ! $response->headers->has('Transfer-Encoding')) {
            $response->headers->set('Content-Length', (string) strlen((string) $response->getContent()));
        }

        return $response;
    }
}
