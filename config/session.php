<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'whole-file'),
    'lifetime' => 600, // a working day at the table
    'expire_on_close' => false,
    'encrypt' => true,
    'files' => env('SESSION_FILES', storage_path('framework/sessions')),
    'lottery' => [2, 100],
    'cookie' => 'somatrace_session',
    'path' => '/',
    'domain' => null,
    'secure' => str_starts_with((string) env('APP_URL', ''), 'https://'), // on one's own machine there is no HTTPS
    'http_only' => true,
    'same_site' => 'lax',
];
