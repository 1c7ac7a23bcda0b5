<?php

declare(strict_types=1);

return [
    // "outbox" carries nothing anywhere: what was sent is read at /outbox on this machine. A real clinic names its own service here.
    'default' => env('MAIL_MAILER', 'outbox'),
    'mailers' => [
        'outbox' => ['transport' => 'outbox'],
        'smtp' => [
            'transport' => 'smtp', 'host' => env('MAIL_HOST'), 'port' => env('MAIL_PORT', 587), 'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'), 'timeout' => 10,
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'somatrace@localhost'), 'name' => env('MAIL_FROM_NAME', 'Somatrace')],
];
