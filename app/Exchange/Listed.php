<?php

declare(strict_types=1);

namespace App\Exchange;

/** The formats of files as a page offers them. */
final readonly class Listed
{
    /**
     * @param  array<string, array{string, string, string, string}>  $formats  format → type, name, what is in it, who reads it
     * @return list<array{id: string, words: string, holds: string, reader: string}>
     */
    public static function of(array $formats): array
    {
        return array_map(
            static fn (string $id, array $about): array => [
                'id' => $id, 'words' => __($about[1]), 'holds' => __($about[2]), 'reader' => __($about[3]),
            ],
            array_keys($formats), array_values($formats),
        );
    }
}
