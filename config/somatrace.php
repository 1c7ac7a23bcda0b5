<?php

declare(strict_types=1);

return [
    // where the measuring devices of the room answer (docs/device-protocol.md); without an address the simulated one that ships does
    'devices' => [
        'algometer' => env('SOMATRACE_ALGOMETER'),
        'inclinometer' => env('SOMATRACE_INCLINOMETER'),
        'dynamometer' => env('SOMATRACE_DYNAMOMETER'),
    ],
];
