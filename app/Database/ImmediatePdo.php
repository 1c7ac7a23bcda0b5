<?php

declare(strict_types=1);

namespace App\Database;

/**
 * A transaction takes the write lock when it begins. One that began by reading and then writes while another wrote would fail at once,
 * whatever it is willing to wait: SQLite cannot move what it has read to another moment. PDO itself knows only the plain BEGIN below PHP
 * 8.4, so it is told here and its state kept here.
 */
final class ImmediatePdo extends \PDO
{
    private bool $within = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE');

        return $this->within = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->within = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->within = false;
        try {
            $this->exec('ROLLBACK');
        } catch (\PDOException $fault) {
            // the engine has rolled back by itself, as it does when the disk is full
            if (! str_contains($fault->getMessage(), 'no transaction is active')) {
                throw $fault;
            }
        }

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->within;
    }
}
