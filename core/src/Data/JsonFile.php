<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/** Reads one of the core's own data files. */
final readonly class JsonFile
{
    /** @throws FaultyDocument when the file cannot be read or is no JSON object */
    public static function read(string $path): Fields
    {
        $text = is_file($path) ? file_get_contents($path) : false;
        if ($text === false) {
            throw FaultyDocument::whole(basename($path).' cannot be read');
        }
        try {
            return Fields::of(json_decode($text, true, 64, JSON_THROW_ON_ERROR));
        } catch (\JsonException $fault) {
            throw FaultyDocument::whole(basename($path).' is no JSON: '.$fault->getMessage());
        }
    }
}
