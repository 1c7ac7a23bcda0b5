<?php

declare(strict_types=1);

return [
    // where the measuring devices of the room answer (docs/device-protocol.md); without an address the simulated one that ships does
    'devices' => [
        'algometer' => env('SOMATRACE_ALGOMETER'),
        'inclinometer' => env('SOMATRACE_INCLINOMETER'),
        'dynamometer' => env('SOMATRACE_DYNAMOMETER'),
        'plate' => env('SOMATRACE_PLATE'),
    ],
    // mails that go nowhere are read at /outbox: for a demo, by its owner, on the machine itself
    'outbox' => (bool) env('SOMATRACE_OUTBOX', false),
    // names under which this installation answers besides the host of APP_URL, and proxies whose word about an address is taken; both
    // separated by commas
    'hosts' => env('SOMATRACE_HOSTS', ''),
    'proxies' => env('SOMATRACE_PROXIES', ''),
    // the key by which audit and notes are sealed, and how far the audit has come: better somewhere else than the database
    // (docs/hosting.md)
    'seal' => ['folder' => env('SOMATRACE_SEAL_FOLDER', storage_path('seal'))],
    // encrypted backups (docs/keeping.md); the passphrase in a file that only this machine's user can read, or in the environment
    'backup' => [
        'folder' => env('SOMATRACE_BACKUPS', storage_path('backups')),
        'passphrase_file' => env('SOMATRACE_BACKUP_PASSPHRASE_FILE'),
        'passphrase' => env('SOMATRACE_BACKUP_PASSPHRASE'),
        'strength' => 'moderate',
    ],
];
