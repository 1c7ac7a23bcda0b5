<?php

declare(strict_types=1);

namespace App\Keeping;

use Closure;

/**
 * Lines of the audit that could not wait for the database: kept in a file, and taken into the chain with the next line that gets through.
 * Nobody's page waits for them, and none is lost.
 */
final readonly class AuditSpool
{
    public function __construct(private string $path)
    {
    }

    public static function of(Seal $seal, string $database): self
    {
        return new self("{$seal->folder}/waiting-".substr(hash('sha256', realpath($database) ?: $database), 0, 16));
    }

    /** @param  array<string, mixed>  $line */
    public function keep(array $line): void
    {
        $file = fopen($this->path, 'ab') ?: throw new \RuntimeException('a line of the audit could be written nowhere');
        @chmod($this->path, 0600);
        flock($file, LOCK_EX);
        fwrite($file, json_encode($line, JSON_THROW_ON_ERROR)."\n");
        fflush($file);
        fsync($file);
        fclose($file);
    }

    /** @param  Closure(list<array<string, mixed>>): void  $take  what waits, oldest first; let go of only when it comes back */
    public function drain(Closure $take): void
    {
        $file = is_file($this->path) ? fopen($this->path, 'r+b') : false;
        // whoever else is at it takes them
        if ($file === false || ! flock($file, LOCK_EX | LOCK_NB)) {
            $take([]);

            return;
        }
        $lines = [];
        foreach (explode("\n", (string) stream_get_contents($file)) as $text) {
            $line = json_decode($text, true);
            if (is_array($line)) {
                $lines[] = $line; // half a line of a server that was killed is none
            }
        }
        $take($lines);
        ftruncate($file, 0);
        fclose($file);
    }

    public function waiting(): int
    {
        return is_file($this->path) ? count(file($this->path) ?: []) : 0;
    }
}
