<?php

declare(strict_types=1);

return [
    // where the measuring devices of the room answer (docs/device-protocol.md); without an address the simulated one that ships does
    'devices' => [
        'algometer' => env('SOMATRACE_ALGOMETER'),
        'inclinometer' => env('SOMATRACE_INCLINOMETER'),
        'dynamometer' => env('SOMATRACE_DYNAMOMETER'),
    ],
    // encrypted backups (docs/keeping.md); the passphrase in a file that only this machine's user can read, or in the environment
    'backup' => [
        'folder' => env('SOMATRACE_BACKUPS', storage_path('backups')),
        'passphrase_file' => env('SOMATRACE_BACKUP_PASSPHRASE_FILE'),
        'passphrase' => env('SOMATRACE_BACKUP_PASSPHRASE'),
        'strength' => 'moderate',
    ],
];
