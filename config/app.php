<?php

declare(strict_types=1);

return [
    'name' => env('APP_NAME', 'Somatrace'),
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8080'),
    'timezone' => 'UTC', // times are UTC in the database and in the clinic's zone on screen
    'locale' => env('APP_LOCALE', 'en'),
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
];
