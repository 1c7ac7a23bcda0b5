<?php

declare(strict_types=1);

namespace App\Exchange\Findings;

/**
 * How a part of a finding is written in a cell. Several are parted by semicolons; `none` is a list of which somebody said that there is
 * nothing in it.
 */
enum CellForm
{
    private const NONE = 'none';

    case Word;
    case Number;
    case Flag;
    case Words;
    case Numbers;
    case Places;
    case Moves;

    public function write(mixed $value): string
    {
        return match (true) {
            is_string($value) => $value,
            $value === [] => self::NONE,
            is_array($value) => implode('; ', array_map(self::piece(...), $value)),
            default => (string) json_encode($value),
        };
    }

    /** @throws \UnexpectedValueException in words */
    public function read(string $cell): mixed
    {
        $each = static fn (callable $one): array => $cell === self::NONE
            ? []
            : array_map(static fn (string $piece): mixed => $one(trim($piece)), explode(';', $cell));

        return match ($this) {
            self::Word => $cell,
            self::Number => self::number($cell),
            self::Flag => match ($cell) {
                'true' => true, 'false' => false, default => throw new \UnexpectedValueException("\"$cell\" is neither true nor false"),
            },
            self::Words => $each(static fn (string $piece): string => $piece),
            self::Numbers => $each(self::number(...)),
            self::Places => $each(static fn (string $piece): array => self::pair($piece, 'zone')),
            self::Moves => $each(
                static fn (string $piece): array => str_starts_with($piece, 'demand:')
                    ? ['demand' => substr($piece, 7)]
                    : self::pair($piece, 'movement'),
            ),
        };
    }

    private static function piece(mixed $piece): string
    {
        return match (true) {
            is_array($piece) && isset($piece['demand']) => 'demand:'.$piece['demand'],
            is_array($piece) => ($piece['zone'] ?? $piece['movement']).':'.$piece['side'],
            is_string($piece) => $piece,
            default => (string) json_encode($piece),
        };
    }

    private static function number(string $cell): int|float
    {
        $number = is_numeric($cell) ? json_decode($cell) : null;

        return is_int($number) || is_float($number) ? $number : throw new \UnexpectedValueException("\"$cell\" is no number");
    }

    /** @return array<string, string> */
    private static function pair(string $piece, string $name): array
    {
        $parts = explode(':', $piece);

        return count($parts) === 2
            ? [$name => $parts[0], 'side' => $parts[1]]
            : throw new \UnexpectedValueException("\"$piece\" is not $name:side");
    }
}
