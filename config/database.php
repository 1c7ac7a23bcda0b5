<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', storage_path('database.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 5000,
            'journal_mode' => 'wal',
            'synchronous' => 'full',
            'transaction_mode' => 'IMMEDIATE', // a reader that turns writer mid-way would fail at once instead of waiting
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
