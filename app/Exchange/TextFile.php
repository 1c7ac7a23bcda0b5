<?php

declare(strict_types=1);

namespace App\Exchange;

use Somatrace\Core\CaseFile\CaseReader;
use Somatrace\Core\Data\FaultyDocument;

/** What every file must be before anybody reads it. */
final readonly class TextFile
{
    /** @throws FaultyDocument when it is empty, too large, or no text */
    public static function checked(string $text): string
    {
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;

        return match (true) {
            trim($text) === '' => throw FaultyDocument::whole('the file is empty'),
            strlen($text) > CaseReader::MOST_BYTES => throw FaultyDocument::whole('larger than 5 MiB, which is the most a file may be'),
            ! mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0") => throw FaultyDocument::whole('not text in UTF-8'),
            default => $text,
        };
    }
}
