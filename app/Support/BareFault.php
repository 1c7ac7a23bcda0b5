<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\QueryException;
use Throwable;

/**
 * What of a fault may stand in a log. Its words may hold a name or a finding, whatever its class and however deep it lies in others, so
 * none of them is written: only class, number, file and line of it and of all it came from, the way there without what was handed over, and
 * the shape of a statement that was refused.
 */
final readonly class BareFault
{
    private const DEEP = 25;

    /** @return list<array<string, mixed>> the fault and what it came from */
    public static function of(Throwable $fault): array
    {
        $faults = [];
        for ($one = $fault; $one !== null; $one = $one->getPrevious()) {
            $code = $one->getCode();
            $faults[] = array_filter([
                'class' => self::name($one),
                'code' => is_int($code) || preg_match('/^[0-9A-Z]{1,8}$/', (string) $code) === 1 ? $code : null,
                'at' => self::place($one->getFile(), $one->getLine()),
                'sql' => $one instanceof QueryException ? $one->getSql() : null,
                'way' => array_map(
                    static fn (array $step): string => self::place($step['file'] ?? '', $step['line'] ?? 0),
                    array_slice($one->getTrace(), 0, self::DEEP),
                ),
            ], static fn (mixed $part): bool => $part !== null);
        }

        return $faults;
    }

    /** A class made on the spot has the path of its file in its name. */
    public static function name(Throwable $fault): string
    {
        return (string) strtok($fault::class, "\0");
    }

    private static function place(string $file, int $line): string
    {
        return str_replace(base_path().'/', '', $file).":$line";
    }
}
