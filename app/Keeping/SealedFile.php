<?php

declare(strict_types=1);

namespace App\Keeping;

/**
 * A file under a passphrase: a line that names the format, a line of JSON (salt and strength), the header of the stream, then pieces of at
 * most 64 KiB, each with its length before it, sealed by XChaCha20-Poly1305 in the secretstream construction of libsodium: no piece can be
 * changed, left out, doubled or moved, nor the file end early, without being noticed. It is read and written piece by piece: a file may be
 * larger than memory.
 */
final readonly class SealedFile
{
    private const NAME = "SOMATRACE-BACKUP 1\n";

    private const PIECE = 65536;

    private const LONGEST_HEADER = 1024;

    /**
     * @param  iterable<string>  $pieces the first one is handed back apart when it is read
     *
     * @throws BackupRefused when it cannot be written
     */
    public static function write(string $path, string $passphrase, Strength $strength, iterable $pieces): void
    {
        $out = @fopen($path, 'xb') ?: throw BackupRefused::because("$path cannot be written, or is there already.");
        chmod($path, 0600);
        $salt = random_bytes(SODIUM_CRYPTO_PWHASH_SALTBYTES);
        $about = json_encode(['salt' => base64_encode($salt), 'strength' => $strength->value], JSON_THROW_ON_ERROR)."\n";
        [$state, $header] = sodium_crypto_secretstream_xchacha20poly1305_init_push($strength->key($passphrase, $salt));
        self::put($out, self::NAME.$about.$header);
        $bound = self::NAME.$about; // the lines in the clear belong to the first piece
        $held = null;
        foreach ($pieces as $piece) {
            if ($held !== null) {
                self::seal($out, $state, $held, $bound, false);
                $bound = '';
            }
            $held = $piece;
        }
        self::seal($out, $state, $held ?? '', $bound, true);
        fflush($out);
        fsync($out);
        fclose($out);
    }

    /**
     * @return \Generator<int, string> the pieces as they were written; whoever takes them has the whole only when the generator ends
     *
     * @throws BackupRefused at a wrong passphrase, and at the first piece that is not as it was written
     */
    public static function read(string $path, string $passphrase): \Generator
    {
        $in = @fopen($path, 'rb') ?: throw BackupRefused::because("$path cannot be opened.");
        try {
            if (fread($in, strlen(self::NAME)) !== self::NAME) {
                throw BackupRefused::because('This is no backup of Somatrace, or of another version.');
            }
            $line = (string) fgets($in, self::LONGEST_HEADER);
            $about = json_decode($line, true);
            $salt = is_array($about) ? base64_decode((string) ($about['salt'] ?? ''), true) : false;
            $strength = is_array($about) ? Strength::tryFrom((string) ($about['strength'] ?? '')) : null;
            $header = (string) fread($in, SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES);
            if (
                $salt === false
                    || strlen($salt) !== SODIUM_CRYPTO_PWHASH_SALTBYTES
                    || $strength === null
                    || strlen($header) !== SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES
            ) {
                throw BackupRefused::because('The head of the backup is damaged.');
            }
            $state = sodium_crypto_secretstream_xchacha20poly1305_init_pull($header, $strength->key($passphrase, $salt));
            $bound = self::NAME.$line;
            for ($number = 0, $last = false; ! $last; $number++) {
                $length = unpack('N', str_pad((string) fread($in, 4), 4, "\xff"))[1] ?? 0;
                $sealed = $length > self::PIECE + SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES
                    ? ''
                    : (string) stream_get_contents($in, $length);
                $opened = strlen($sealed) < SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_ABYTES
                    ? false
                    : sodium_crypto_secretstream_xchacha20poly1305_pull($state, $sealed, $bound);
                if ($opened === false) {
                    throw BackupRefused::because(
                        $number === 0
                            ? 'The passphrase is not the one it was made with, or the beginning of the file is damaged.'
                            : "The backup is damaged at piece $number; nothing was restored.",
                    );
                }
                $bound = '';
                $last = $opened[1] === SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL;
                yield $opened[0];
            }
            if (fread($in, 1) !== '') {
                throw BackupRefused::because('Something stands behind the end of the backup; nothing was restored.');
            }
        } finally {
            fclose($in);
        }
    }

    /** @return \Generator<int, string> a file in pieces */
    public static function pieces(string $path): \Generator
    {
        $in = @fopen($path, 'rb') ?: throw BackupRefused::because("$path cannot be opened.");
        while (! feof($in)) {
            $piece = (string) fread($in, self::PIECE);
            if ($piece !== '') {
                yield $piece;
            }
        }
        fclose($in);
    }

    /** @param  resource  $out */
    private static function seal($out, string &$state, string $piece, string $bound, bool $last): void
    {
        $sealed = sodium_crypto_secretstream_xchacha20poly1305_push(
            $state, $piece, $bound,
            $last ? SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL : SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_MESSAGE,
        );
        self::put($out, pack('N', strlen($sealed)).$sealed);
    }

    /** @param  resource  $out */
    private static function put($out, string $bytes): void
    {
        if (fwrite($out, $bytes) !== strlen($bytes)) {
            throw BackupRefused::because('The disk is full, or the place cannot be written.');
        }
    }
}
