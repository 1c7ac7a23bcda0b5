<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

/** A copy of the data folder in which one file can be spoiled. */
final readonly class BrokenAtlas
{
    public static function copy(): string
    {
        $from = dirname(__DIR__, 2).'/data';
        $to = sys_get_temp_dir().'/somatrace-atlas-'.bin2hex(random_bytes(6));
        mkdir("$to/schema", recursive: true);
        foreach ([...glob("$from/*.json") ?: [], ...glob("$from/schema/*.json") ?: []] as $file) {
            copy($file, $to.substr($file, strlen($from)));
        }

        return $to;
    }

    /** @param  callable(array<string, mixed>): array<string, mixed>  $spoil */
    public static function change(string $folder, string $name, callable $spoil): void
    {
        $file = json_decode((string) file_get_contents("$folder/$name.json"), true, flags: JSON_THROW_ON_ERROR);
        // an empty map must not come back as an empty list
        $text = json_encode($spoil(is_array($file) ? $file : []), JSON_THROW_ON_ERROR);
        file_put_contents(
            "$folder/$name.json",
            str_replace(['"sites":[]', '"columns":[]', '"when":[]'], ['"sites":{}', '"columns":{}', '"when":{}'], $text),
        );
        clearstatcache();
    }

    public static function remove(string $folder): void
    {
        foreach ([...glob("$folder/schema/*") ?: [], ...glob("$folder/*.json") ?: []] as $file) {
            unlink($file);
        }
        rmdir("$folder/schema");
        rmdir($folder);
    }
}
