<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Filesystem\Filesystem;
use Illuminate\Session\FileSessionHandler;

/** Sessions in files that are there whole or as they were before: a server killed while it writes one signs nobody out. */
final class WholeFileSessionHandler extends FileSessionHandler
{
    public function __construct(Filesystem $files, private readonly string $folder, int $minutes)
    {
        parent::__construct($files, $folder, $minutes);
    }

    public function write($sessionId, $data): bool
    {
        $this->files->replace("{$this->folder}/$sessionId", $data);

        return true;
    }
}
