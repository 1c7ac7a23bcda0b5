<?php

declare(strict_types=1);

namespace App\Keeping;

use Carbon\CarbonImmutable;
use Illuminate\Encryption\Encrypter;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/** Makes a backup of everything, and an installation out of a backup. */
final readonly class Backup
{
    private const SHORTEST_PASSPHRASE = 12;

    private const RESTORED = 'restored';

    public function __construct(private Strength $strength = Strength::Moderate)
    {
    }

    /** @return string the content hash of what was kept */
    public function make(string $path, string $passphrase, CarbonImmutable $now): string
    {
        if (mb_strlen($passphrase) < self::SHORTEST_PASSPHRASE) {
            throw BackupRefused::because('A passphrase has at least twelve characters.');
        }
        // a copy at one moment, whoever writes meanwhile; no less safe on this disk than the database beside it
        $copy = $path.'.copy';
        @unlink($copy);
        try {
            DB::statement('vacuum into ?', [$copy]);
            chmod($copy, 0600);
            $hash = $this->hashOf($copy);
            $about = json_encode(
                [
                    'made' => $now->utc()->toIso8601ZuluString(), 'content_hash' => $hash, 'key' => Config::string('app.key'),
                    'seal' => Seal::own()->base64(),
                ],
                JSON_THROW_ON_ERROR,
            );
            // until it is whole it has another name: what is called a backup can be restored
            @unlink("$path.part");
            SealedFile::write("$path.part", $passphrase, $this->strength, (static function () use ($about, $copy): \Generator {
                yield $about;
                yield from SealedFile::pieces($copy);
            })());
            rename("$path.part", $path);
        } finally {
            @unlink($copy);
            @unlink("$path.part");
        }

        return $hash;
    }

    /** @return array{made: string, content_hash: string} once every piece was read and found as it was written */
    public function check(string $path, string $passphrase): array
    {
        $about = null;
        foreach (SealedFile::read($path, $passphrase) as $number => $piece) {
            $about = $number === 0 ? $this->about($piece) : $about;
        }

        return $about ?? throw BackupRefused::because('There is nothing in the backup.');
    }

    /**
     * Into an installation without a clinic: nothing is ever overwritten.
     *
     * @return array{made: string, content_hash: string}
     */
    public function restore(string $path, string $passphrase): array
    {
        $target = Config::string('database.connections.sqlite.database');
        if ($this->hasClinic()) {
            throw BackupRefused::because(
                'This installation holds a clinic already. Restore into an empty one, or move its database away first.',
            );
        }
        $copy = "$target.restoring";
        @unlink($copy);
        try {
            $about = null;
            $out = @fopen($copy, 'xb') ?: throw BackupRefused::because("$copy cannot be written.");
            chmod($copy, 0600);
            foreach (SealedFile::read($path, $passphrase) as $number => $piece) {
                if ($number === 0) {
                    $about = $this->about($piece);
                } elseif (fwrite($out, $piece) !== strlen($piece)) {
                    throw BackupRefused::because('The disk is full.');
                }
            }
            fclose($out);
            $about ??= throw BackupRefused::because('There is nothing in the backup.');
            $this->sealAnew($copy, $about['key'], $about['seal']);
            if (! hash_equals($about['content_hash'], $this->hashOf($copy))) {
                throw BackupRefused::because('What came out is not what went in; nothing was restored.');
            }
            DB::purge();
            foreach (['-wal', '-shm'] as $beside) {
                @unlink($target.$beside);
            }
            rename($copy, $target);
        } finally {
            @unlink($copy);
        }
        Artisan::call('migrate', ['--force' => true]); // a backup of an earlier version is brought up to this one
        (new AuditChain(Seal::own()))->rememberEnd();

        return ['made' => $about['made'], 'content_hash' => $about['content_hash']];
    }

    /** @return array{made: string, content_hash: string, key: string, seal: string|null} the seal null in one made before there was any */
    private function about(string $piece): array
    {
        $about = json_decode($piece, true);
        if (
            ! is_array($about)
                || ! is_string($about['made'] ?? null)
                || ! is_string($about['content_hash'] ?? null)
                || ! is_string($about['key'] ?? null)
        ) {
            throw BackupRefused::because('The backup does not say what it is.');
        }

        return [
            'made' => $about['made'], 'content_hash' => $about['content_hash'], 'key' => $about['key'],
            'seal' => is_string($about['seal'] ?? null) ? $about['seal'] : null,
        ];
    }

    private function hasClinic(): bool
    {
        try {
            return DB::table('clinics')->exists();
        } catch (\Throwable) {
            return false; // no database yet, or no table in it
        }
    }

    /**
     * Secrets of authenticator apps, notes and audit are sealed with the keys of the installation they came from. What was broken under the
     * old seal stays broken under the new.
     */
    private function sealAnew(string $path, string $key, ?string $seal): void
    {
        $this->beside($path, static function () use ($key, $seal): void {
            if ($seal !== null && $seal !== Seal::own()->base64()) {
                Resealing::of(self::RESTORED, Seal::with($seal), Seal::own());
            }
            $old = new Encrypter((string) base64_decode(substr($key, strlen('base64:')), true), Config::string('app.cipher'));
            foreach (DB::connection(self::RESTORED)->table('users')->whereNotNull('second_factor')->get(['id', 'second_factor']) as $user) {
                DB::connection(self::RESTORED)
                    ->table('users')
                    ->where('id', $user->id)
                    ->update(['second_factor' => Crypt::encryptString($old->decryptString((string) $user->second_factor))]);
            }
        });
    }

    private function hashOf(string $path): string
    {
        return $this->beside($path, static function (): string {
            $sound = DB::connection(self::RESTORED)->selectOne('pragma integrity_check');
            if ($sound === null || array_values((array) $sound) !== ['ok']) {
                throw BackupRefused::because('The database is damaged.');
            }

            return ContentHash::of(self::RESTORED);
        });
    }

    /**
     * @template T
     *
     * @param  callable(): T  $act with that file as the connection "restored"
     * @return T
     */
    private function beside(string $path, callable $act): mixed
    {
        Config::set(
            'database.connections.'.self::RESTORED,
            [...(array) Config::get('database.connections.sqlite'), 'database' => $path, 'journal_mode' => 'delete'],
        );
        try {
            return $act();
        } finally {
            DB::purge(self::RESTORED);
        }
    }
}
