<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Session\SessionManager;
use Illuminate\Support\Facades\Config;

/** Hands out sessions that several requests may have open at once. */
final class Sessions extends SessionManager
{
    /** @param  \SessionHandlerInterface  $handler */
    protected function buildEncryptedSession($handler): SharedSession
    {
        return new SharedSession(Config::string('session.cookie'), $handler, $this->container->make('encrypter'));
    }
}
