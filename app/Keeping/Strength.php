<?php

declare(strict_types=1);

namespace App\Keeping;

/** How much work it is to try one passphrase (Argon2id of libsodium). */
enum Strength: string
{
    case Moderate = 'moderate'; // 256 MiB and three rounds: most of a second
    case Light = 'light'; // for tests

    public function rounds(): int
    {
        return match ($this) {
            self::Moderate => SODIUM_CRYPTO_PWHASH_OPSLIMIT_MODERATE, self::Light => 1,
        };
    }

    public function bytes(): int
    {
        return match ($this) {
            self::Moderate => SODIUM_CRYPTO_PWHASH_MEMLIMIT_MODERATE, self::Light => 8192,
        };
    }

    public function key(string $passphrase, string $salt): string
    {
        return sodium_crypto_pwhash(
            SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_KEYBYTES, $passphrase, $salt, $this->rounds(), $this->bytes(),
            SODIUM_CRYPTO_PWHASH_ALG_ARGON2ID13,
        );
    }
}
