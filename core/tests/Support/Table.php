<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

/** A table that a clinician can read: a row a case, its cells parted by "|", the last one telling why. */
final readonly class Table
{
    /** @return iterable<string, list<string>> the cells without the reason, by line and reason */
    public static function rows(string $name, int $cells): iterable
    {
        foreach (file(dirname(__DIR__)."/tables/$name.txt", FILE_IGNORE_NEW_LINES) ?: [] as $index => $line) {
            if ($line === '' || str_starts_with($line, '#')) {
                continue;
            }
            $row = array_map(trim(...), explode('|', $line));
            if (count($row) !== $cells) {
                throw new \UnexpectedValueException("$name.txt, line ".($index + 1).": $cells cells are wanted");
            }
            yield sprintf('%d: %s', $index + 1, $row[$cells - 1]) => array_slice($row, 0, -1);
        }
    }
}
