<?php

declare(strict_types=1);

namespace App\Exchange;

use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;

/** A table of text with a row of names (RFC 4180); semicolons are understood as well as commas. */
final readonly class CsvTable
{
    /** What a spreadsheet would take for a formula; such a cell is written with an apostrophe before it and read without. */
    private const FORMULA = '/^\'*[=+\-@\t\r]/';

    /**
     * @param  list<string>  $columns
     * @param  iterable<array<string, string>>  $rows
     */
    public static function write(array $columns, iterable $rows): string
    {
        $out = fopen('php://temp/maxmemory:8388608', 'w+') ?: throw new \RuntimeException('no room for a table');
        fputcsv($out, $columns, escape: '', eol: "\r\n");
        foreach ($rows as $row) {
            fputcsv(
                $out, array_map(static fn (string $column): string => self::guarded($row[$column] ?? ''), $columns), escape: '',
                eol: "\r\n",
            );
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /**
     * @param  list<string>  $known columns that may stand there
     * @param  list<string>  $needed those that must
     * @return array<int, array<string, string>> by the number of the line in which a row begins to be counted, the names being row 1
     *
     * @throws FaultyDocument
     */
    public static function read(string $text, array $known, array $needed): array
    {
        $text = TextFile::checked($text);
        if (substr_count($text, '"') % 2 === 1) {
            throw FaultyDocument::whole('a quotation mark is opened and never closed');
        }
        $in = fopen('php://temp', 'w+') ?: throw new \RuntimeException('no room for a table');
        fwrite($in, $text);
        rewind($in);
        $first = strtok($text, "\r\n") ?: '';
        $separator = substr_count($first, ';') > substr_count($first, ',') ? ';' : ',';
        $names = array_map(trim(...), array_map(strval(...), fgetcsv($in, null, $separator, '"', '') ?: []));
        self::checkNames($names, $known, $needed);
        $rows = [];
        $faults = [];
        for ($number = 2; ($cells = fgetcsv($in, null, $separator, '"', '')) !== false; $number++) {
            if ($cells === [null]) {
                continue; // an empty line
            }
            if (count($cells) !== count($names)) {
                $faults[] = new Fault("row $number", count($cells).' cells, where the names are '.count($names));

                continue;
            }
            $rows[$number] = array_combine($names, array_map(static fn (?string $cell): string => self::plain((string) $cell), $cells));
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }

        return $rows !== [] ? $rows : throw FaultyDocument::whole('names of columns and no row under them');
    }

    /**
     * @param  list<string>  $names
     * @param  list<string>  $known
     * @param  list<string>  $needed
     *
     * @throws FaultyDocument
     */
    private static function checkNames(array $names, array $known, array $needed): void
    {
        $faults = [];
        foreach (array_diff($names, $known) as $index => $name) {
            $faults[] = new Fault('row 1, column '.($index + 1), "\"$name\" is no column here; known are ".implode(', ', $known));
        }
        foreach (array_diff($needed, $names) as $name) {
            $faults[] = new Fault('row 1', "the column \"$name\" is missing");
        }
        foreach (array_keys(array_filter(array_count_values($names), static fn (int $times): bool => $times > 1)) as $name) {
            $faults[] = new Fault('row 1', "the column \"$name\" stands there twice");
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }
    }

    private static function guarded(string $cell): string
    {
        return preg_match(self::FORMULA, $cell) === 1 ? "'$cell" : $cell;
    }

    private static function plain(string $cell): string
    {
        return str_starts_with($cell, "'") && preg_match(self::FORMULA, $cell) === 1 ? substr($cell, 1) : $cell;
    }
}
