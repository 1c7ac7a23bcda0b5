<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/**
 * What was read from data files and built of them, kept in a file of its own while neither those files nor the classes it is made of have
 * changed: reading it takes a fraction of building it.
 */
final readonly class Compiled
{
    private string $head;

    /**
     * @param  string  $stamp  of the data files
     * @param  string  ...$folders  of the classes
     */
    public function __construct(private string $path, string $stamp, string ...$folders)
    {
        $classes = '';
        foreach ($folders as $folder) {
            foreach (glob("$folder/*.php") ?: [] as $file) {
                $classes .= filesize($file).'.'.filemtime($file).' ';
            }
        }
        $this->head = hash('sha256', $stamp.$classes)."\n";
    }

    /**
     * @param  int<0, max>|null  $length
     * @return string|null what was kept, or the beginning of it; null where that is another's, or nothing
     */
    public function text(?int $length = null): ?string
    {
        $long = strlen($this->head);
        $text = is_file($this->path) ? (string) file_get_contents($this->path, length: $length === null ? null : $long + $length) : '';

        return str_starts_with($text, $this->head) ? substr($text, $long) : null;
    }

    /** Written beside and moved, so that nobody reads half of it. */
    public function keep(string $text): void
    {
        $new = $this->path.'.'.getmypid();
        if (@file_put_contents($new, $this->head.$text) !== false) {
            rename($new, $this->path);
        }
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @param  callable(): T  $make
     * @return T kept as a whole
     */
    public function of(string $class, callable $make): object
    {
        $text = $this->text();
        $kept = $text === null ? null : unserialize($text);
        if ($kept instanceof $class) {
            return $kept;
        }
        $made = $make();
        $this->keep(serialize($made));

        return $made;
    }
}
