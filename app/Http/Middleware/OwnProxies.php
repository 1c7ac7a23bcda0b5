<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;

/**
 * Proxies whose word about an address is taken (SOMATRACE_PROXIES): none by default. Never their word about the host: that is told by
 * APP_URL.
 */
final class OwnProxies extends TrustProxies
{
    protected $headers = Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO | Request::HEADER_X_FORWARDED_PORT;

    /** @return list<string> */
    protected function proxies(): array
    {
        return array_values(array_filter(
            array_map(trim(...), explode(',', Config::string('somatrace.proxies'))), static fn (string $one): bool => $one !== '',
        ));
    }
}
