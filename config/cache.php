<?php

declare(strict_types=1);

$path = env('CACHE_PATH', storage_path('framework/cache/data'));

return [
    'stores' => ['file' => ['driver' => 'file', 'path' => $path, 'lock_path' => $path]],
];
