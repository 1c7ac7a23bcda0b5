<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Support\Facades\Config;

/**
 * The key by which the audit and signed notes are sealed, in a folder of its own that may lie on another disk or belong to somebody else
 * than the database (SOMATRACE_SEAL_FOLDER). It is made when it is first needed.
 */
final readonly class Seal
{
    private const BYTES = 32;

    private function __construct(public string $folder, #[\SensitiveParameter] private string $key)
    {
    }

    public static function own(): self
    {
        $folder = Config::string('somatrace.seal.folder');
        $folder = str_starts_with($folder, '/') ? $folder : base_path($folder);
        if (! is_dir($folder) && ! @mkdir($folder, 0700, true) && ! is_dir($folder)) {
            throw new \RuntimeException('the folder of the seal cannot be made');
        }
        $path = "$folder/key";
        if (! is_file($path)) {
            self::make($path);
        }
        $key = base64_decode(trim((string) file_get_contents($path)), true);

        return new self(
            $folder,
            is_string($key) && strlen($key) === self::BYTES
                ? $key
                : throw new \RuntimeException('the key of the seal is damaged: put the right one back'),
        );
    }

    /** With a key from elsewhere, such as the one a backup brings. */
    public static function with(#[\SensitiveParameter] string $base64): self
    {
        $key = base64_decode($base64, true);

        return new self(
            '', is_string($key) && strlen($key) === self::BYTES ? $key : throw new \RuntimeException('this is no key of a seal'),
        );
    }

    public function mac(string ...$parts): string
    {
        return hash_hmac('sha256', implode("\x1f", $parts), $this->key);
    }

    public function base64(): string
    {
        return base64_encode($this->key);
    }

    /** Two that make it at once end up with one: a link is never put over what is there. */
    private static function make(string $path): void
    {
        $own = $path.'.'.bin2hex(random_bytes(6));
        file_put_contents($own, base64_encode(random_bytes(self::BYTES))."\n");
        chmod($own, 0600);
        @link($own, $path);
        @unlink($own);
    }
}
