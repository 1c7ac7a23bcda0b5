<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;
use Symfony\Component\HttpFoundation\Response;

/**
 * What a browser may do with a page of ours: run and fetch what ships with it, sit in no other page, tell no other site where it came from,
 * and keep nothing clinical.
 */
final class SecurityHeaders
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $headers = [
            'Content-Security-Policy' => $this->policy(), 'X-Content-Type-Options' => 'nosniff', 'X-Frame-Options' => 'DENY',
            'Referrer-Policy' => 'same-origin',
            'Permissions-Policy' => 'camera=(), microphone=(), geolocation=()', 'Cross-Origin-Opener-Policy' => 'same-origin',
        ];
        foreach ($headers as $name => $value) {
            $response->headers->set($name, $value);
        }
        // whatever a proxy says or does not say: an installation that is reached over HTTPS is reached over nothing else
        if (str_starts_with(Config::string('app.url'), 'https://')) {
            $response->headers->set('Strict-Transport-Security', 'max-age=31536000; includeSubDomains');
        }
        if ($request->user() !== null) {
            $response->headers->set('Cache-Control', 'no-store, private');
        }

        return $response;
    }

    private function policy(): string
    {
        // no script but files of ours; styles of an element are part of the figure and of every bar and arc
        return implode('; ', [
            "default-src 'self'", "script-src 'self'", "style-src 'self' 'unsafe-inline'", "img-src 'self' data: blob:",
            "font-src 'self' data:",
            "connect-src 'self'".implode('', array_map(static fn (string $origin): string => " $origin", $this->devices())),
            "object-src 'none'", "base-uri 'self'", "form-action 'self'", "frame-ancestors 'none'",
        ]);
    }

    /** @return list<string> origins of the measuring devices of the room */
    private function devices(): array
    {
        $origins = [];
        foreach ((array) config('somatrace.devices') as $address) {
            $parts = is_string($address) ? parse_url($address) : false;
            if (is_array($parts) && isset($parts['scheme'], $parts['host'])) {
                $origins[] = "{$parts['scheme']}://{$parts['host']}".(isset($parts['port']) ? ":{$parts['port']}" : '');
            }
        }

        return array_values(array_unique($origins));
    }
}
