<?php

declare(strict_types=1);

namespace App\Database;

use Closure;
use Illuminate\Database\QueryException;
use Illuminate\Database\SQLiteConnection;
use Throwable;

/**
 * Waits for the write lock as long as the busy timeout of its settings says, and then some more, but not for ever: each outermost
 * transaction, and each statement outside of one, is tried a bounded number of times. What is done inside a transaction must therefore bear
 * being done again.
 */
final class PatientConnection extends SQLiteConnection
{
    public const TRIES = 3;

    private const BUSY = 5; // SQLITE_BUSY

    private const LOCKED = 6; // SQLITE_LOCKED

    private int $tries = self::TRIES;

    /** Somebody else holds the database. Told by its number: the words of a fault may hold what was to be written. */
    public static function isBusy(Throwable $fault): bool
    {
        for ($one = $fault; $one !== null; $one = $one->getPrevious()) {
            if ($one instanceof \PDOException && in_array((int) ($one->errorInfo[1] ?? 0), [self::BUSY, self::LOCKED], true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Does what is good to have and no more, such as keeping a result that can be computed again: if the database is not free soon, it is
     * left.
     *
     * @return bool whether it was done
     */
    public function ifFree(int $milliseconds, Closure $act): bool
    {
        if ($this->transactions > 0) {
            $act(); // the lock is held already

            return true;
        }
        $this->getPdo()->exec("pragma busy_timeout = $milliseconds");
        $this->tries = 1;
        try {
            $act();

            return true;
        } catch (Throwable $fault) {
            return self::isBusy($fault) ? false : throw $fault;
        } finally {
            $this->tries = self::TRIES;
            $this->getPdo()->exec('pragma busy_timeout = '.(int) $this->getConfig('busy_timeout'));
        }
    }

    public function transaction(Closure $callback, $attempts = 1): mixed
    {
        return $this->transactions > 0 ? parent::transaction($callback) : parent::transaction($callback, max($attempts, $this->tries));
    }

    /** Waiting for the lock happens here, before anything was done, so that here it is simply tried again. */
    protected function executeBeginTransactionStatement(): void
    {
        $this->again(fn () => $this->getPdo()->beginTransaction());
    }

    /** @param  array<array-key, mixed>  $bindings */
    protected function handleQueryException(QueryException $e, $query, $bindings, Closure $callback): mixed
    {
        if ($this->transactions > 0 || ! self::isBusy($e)) {
            return parent::handleQueryException($e, $query, $bindings, $callback);
        }

        return $this->again(fn () => $this->runQueryCallback($query, $bindings, $callback), 2);
    }

    protected function causedByConcurrencyError(Throwable $e): bool
    {
        return self::isBusy($e);
    }

    /** @param  int  $from  the how manieth try the first one here is */
    private function again(Closure $act, int $from = 1): mixed
    {
        for ($try = $from; ; $try++) {
            try {
                return $act();
            } catch (Throwable $fault) {
                if ($try >= $this->tries || ! self::isBusy($fault)) {
                    throw $fault;
                }
            }
        }
    }
}
