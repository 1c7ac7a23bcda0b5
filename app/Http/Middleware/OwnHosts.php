<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Middleware\TrustHosts;
use Illuminate\Support\Facades\Config;

/**
 * The names under which this installation answers: the host of APP_URL, and what SOMATRACE_HOSTS adds. Anything else in a Host header is
 * refused, on one's own machine too.
 */
final class OwnHosts extends TrustHosts
{
    /** @return list<string> patterns */
    public function hosts(): array
    {
        $names = [(string) parse_url(Config::string('app.url'), PHP_URL_HOST), ...explode(',', Config::string('somatrace.hosts'))];

        return array_values(array_map(
            static fn (string $name): string => '^'.preg_quote(trim($name)).'$',
            array_filter($names, static fn (string $name): bool => trim($name) !== ''),
        ));
    }

    protected function shouldSpecifyTrustedHosts(): bool
    {
        return true;
    }
}
