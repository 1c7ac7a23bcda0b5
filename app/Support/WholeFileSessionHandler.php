<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Session\FileSessionHandler;

/** Sessions in files that are there whole or as they were before: a server killed while it writes one signs nobody out. */
final class WholeFileSessionHandler extends FileSessionHandler
{
    public function write($sessionId, $data): bool
    {
        $this->files->replace("{$this->path}/$sessionId", $data);

        return true;
    }
}
