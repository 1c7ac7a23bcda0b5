<?php

declare(strict_types=1);

namespace Tests\Support;

/** What a PDF of ours says, and in which type: read from the file itself, since what is drawn and what is said may differ. */
final readonly class PdfText
{
    private function __construct(public string $text, /** @var list<string> */ public array $fonts, public int $pages, public int $embedded)
    {
    }

    public static function of(string $pdf): self
    {
        preg_match_all('/stream\r?\n(.*?)\r?\nendstream/s', $pdf, $streams);
        $text = '';
        foreach ($streams[1] as $stream) {
            $content = @gzuncompress($stream);
            if ($content !== false && preg_match('/\bBT\b/', $content) === 1) {
                $text .= self::said($content)."\n";
            }
        }
        preg_match_all('~/BaseFont\s*/([^\s/\]>]+)~', $pdf, $fonts);

        return new self(
            $text, array_values(array_unique($fonts[1])), preg_match_all('~/Type\s*/Page\b(?!s)~', $pdf),
            preg_match_all('~/FontFile2~', $pdf),
        );
    }

    /** The words in the order they are drawn. */
    private static function said(string $content): string
    {
        preg_match_all('/\bBT\b(.*?)\bET\b/s', $content, $blocks);
        $said = [];
        foreach ($blocks[1] as $block) {
            preg_match_all('/\(((?:\\\\.|[^\\\\()])*)\)/s', $block, $strings);
            $said[] = implode('', array_map(self::plain(...), $strings[1]));
        }

        return implode(' ', $said);
    }

    /** A string of the file, two bytes a letter. */
    private static function plain(string $written): string
    {
        $escapes = ['n' => "\n", 'r' => "\r", 't' => "\t", 'b' => "\x08", 'f' => "\f"];
        $bytes = (string) preg_replace_callback(
            '/\\\\([0-7]{1,3}|.)/s',
            static fn (array $one): string => ctype_digit($one[1]) ? chr((int) octdec($one[1]) & 255) : $escapes[$one[1]] ?? $one[1],
            $written,
        );

        return mb_convert_encoding($bytes, 'UTF-8', 'UTF-16BE');
    }

    /** @return array<string, int> how often each word stands there */
    public static function words(string $text): array
    {
        preg_match_all('/[\p{L}\p{N}]+/u', mb_strtolower($text), $words);
        $count = array_count_values($words[0]);
        // a number is a word like any other: as keys they would be sorted by two rules
        ksort($count, SORT_STRING);

        return $count;
    }
}
