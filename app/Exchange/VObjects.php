<?php

declare(strict_types=1);

namespace App\Exchange;

use Carbon\Exceptions\InvalidFormatException;
use Carbon\Exceptions\OutOfRangeException;
use Sabre\VObject\Component;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Splitter\SplitterInterface;
use Somatrace\Core\Data\FaultyDocument;

/** The package for vCard and iCalendar, with its deprecations kept to itself. */
final readonly class VObjects
{
    /**
     * @template T
     *
     * @param  callable(): T  $act
     * @return T
     */
    public static function quietly(callable $act): mixed
    {
        set_error_handler(static fn (): bool => true, E_DEPRECATED | E_USER_DEPRECATED);
        try {
            return $act();
        } finally {
            restore_error_handler();
        }
    }

    /**
     * Reads one object; the package finds out what a value is only when it is asked for it.
     *
     * @template T
     *
     * @param  callable(): T  $read
     * @return T|string what it is, or in words why it is none
     */
    public static function reading(callable $read): mixed
    {
        return self::quietly(static function () use ($read): mixed {
            try {
                return $read();
            } catch (ParseException|InvalidDataException|InvalidFormatException|OutOfRangeException|\InvalidArgumentException) {
                return 'has a moment, a length or a value that cannot be';
            }
        });
    }

    /**
     * @param  callable(resource): SplitterInterface  $splitter
     * @return list<Component>
     *
     * @throws FaultyDocument at the line where it can no longer be read
     */
    public static function split(string $text, callable $splitter, string $what): array
    {
        $stream = fopen('php://temp', 'w+') ?: throw new \RuntimeException('no room for a file');
        fwrite($stream, TextFile::checked($text));
        rewind($stream);

        return self::quietly(static function () use ($stream, $splitter, $what): array {
            $found = [];
            try {
                $parts = $splitter($stream);
                while (($one = $parts->getNext()) instanceof Component) {
                    $found[] = $one;
                }
            } catch (ParseException|InvalidDataException $fault) {
                throw FaultyDocument::whole("not read as $what after ".count($found).': '.$fault->getMessage());
            }

            return $found !== [] ? $found : throw FaultyDocument::whole("no $what in it");
        });
    }
}
