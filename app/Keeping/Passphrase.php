<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\Config;

/**
 * Told by a file that only the clinic's machine can read, by the environment, or by who sits there; never on the command line, where others
 * see it.
 */
final readonly class Passphrase
{
    public static function isSet(): bool
    {
        return self::kept() !== null;
    }

    public static function told(Command $command): string
    {
        $asked = self::kept() ?? $command->secret('Passphrase');

        return is_string($asked) && $asked !== ''
            ? $asked
            : throw BackupRefused::because(
                'Without a passphrase there is no backup: set SOMATRACE_BACKUP_PASSPHRASE_FILE, or answer when asked.',
            );
    }

    private static function kept(): ?string
    {
        $file = Config::get('somatrace.backup.passphrase_file');
        $text = is_string($file) && $file !== '' ? @file_get_contents($file) : Config::get('somatrace.backup.passphrase');

        return is_string($text) && trim($text) !== '' ? trim($text) : null;
    }
}
