<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/** A name for everything the database holds: two installations of one name hold the same. */
final readonly class ContentHash
{
    /** Kept for the moment only, or made anew whenever they are wanted. */
    private const PASSING = ['sqlite_sequence', 'password_reset_tokens', 'jobs', 'failed_jobs'];

    /** Sealed with the key of the installation: another one writes them anew over the same words. */
    private const SEALS = ['chain' => true, 'content_hash' => true, 'countersign_hash' => true];

    public static function of(?string $connection = null): string
    {
        $db = DB::connection($connection);
        $hash = hash_init('sha256');
        foreach (
            $db
                ->table('sqlite_master')
                ->where('type', 'table')
                ->whereNotIn('name', self::PASSING)
                ->where('name', 'not like', 'sqlite_%')
                ->orderBy('name')
                ->pluck('name') as $table
        ) {
            hash_update($hash, "\x1d$table");
            $columns = array_column($db->select('select name from pragma_table_info(?) order by name', [(string) $table]), 'name');
            // in the order of all columns: not every table has a number of its own
            $sorted = implode(
                ', ', array_map(static fn (string $column): string => "\"$column\"", in_array('id', $columns, true) ? ['id'] : $columns),
            );
            foreach ($db->cursor("select * from \"$table\" order by $sorted") as $row) {
                $row = array_diff_key((array) $row, self::SEALS);
                ksort($row);
                if ($table === 'users') {
                    $row['second_factor'] = self::plain($row['second_factor'] ?? null);
                }
                hash_update($hash, "\x1e".json_encode($row, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
            }
        }

        return hash_final($hash);
    }

    /** Each installation encrypts with a key of its own: what counts is what is inside. */
    private static function plain(mixed $secret): ?string
    {
        if (! is_string($secret) || $secret === '') {
            return null;
        }
        try {
            return Crypt::decryptString($secret);
        } catch (DecryptException) {
            return $secret;
        }
    }
}
