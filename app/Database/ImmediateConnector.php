<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\SQLiteConnector;

/** Opens connections whose transactions take the write lock when they begin. */
final class ImmediateConnector extends SQLiteConnector
{
    /** @param  array<array-key, mixed>  $options */
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): \PDO
    {
        return new ImmediatePdo($dsn, $username, $password, $options);
    }
}
