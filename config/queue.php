<?php

declare(strict_types=1);

return [
    // mail alone goes by queue; the scheduler works it off each minute (routes/console.php), or a worker of its own does
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => ['driver' => 'database', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 180, 'after_commit' => true],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'sqlite', 'table' => 'failed_jobs'],
];
