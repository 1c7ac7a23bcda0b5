<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** How words are put together: lists, figures, the start and the end of a sentence. */
final class Prose
{
    /** @param  array<array-key, string>  $items  where one has a comma in it, they are told apart by more than commas */
    public static function list(array $items): string
    {
        $items = array_values(array_filter($items, static fn (string $item): bool => $item !== ''));
        if (count($items) > 1 && str_contains(implode('', $items), ',')) {
            return implode('; ', $items);
        }
        $last = array_pop($items);

        return $items === [] ? (string) $last : implode(', ', $items)." and $last";
    }

    /** "Levator scapulae, left" within a sentence: "left levator scapulae". */
    public static function sideFirst(string $name): string
    {
        return (string) preg_replace('/^(.*), (left|right)$/', '$2 $1', self::within($name));
    }

    /** What somebody said, with its own end or a point. */
    public static function quoted(string $words): string
    {
        $words = trim($words);

        return '“'.$words.(preg_match('/[.!?…]$/u', $words) === 1 ? '' : '.').'”';
    }

    /** Starts large and ends once. */
    public static function sentence(string $text): string
    {
        $text = trim($text);

        return $text === '' ? '' : mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1).(
            preg_match('/[.!?…]”?$/u', $text) === 1 ? '' : '.'
        );
    }

    /** A name inside a sentence: small at the start, but for what is written large anywhere. */
    public static function within(string $name): string
    {
        return preg_match('/^(?:\p{Lu}{2}|Achilles|C\d|T\d|L\d|S\d|X\b)/u', $name) === 1 ? $name : lcfirst($name);
    }

    /** As it is written by hand: no zeros behind the point, and no more than one place. */
    public static function figure(float $value): string
    {
        return (string) round($value, 1);
    }

    /** A value with its unit. */
    public static function measured(float $value, string $unit): string
    {
        $figure = str_replace('-', '−', self::figure($value));

        return match ($unit) {
            'deg' => "{$figure}°",
            'mm', 'cm', 'kg', 'N' => "$figure $unit",
            's' => $figure.($value === 1.0 ? ' second' : ' seconds'),
            'times' => $figure.($value === 1.0 ? ' time' : ' times'),
            'kPa' => round($value).' kPa',
            'glide' => "$figure of 3",
            '0–10' => "$figure of 10",
            '0–4' => "$figure of 4",
            default => $figure,
        };
    }

    /** How far one value is from another. */
    public static function apart(float $difference, string $unit): string
    {
        $size = abs($difference);

        return match ($unit) {
            'glide', 'grade', '0–4' => self::figure($size).($size === 1.0 ? ' grade' : ' grades'),
            '0–10' => self::figure($size).($size === 1.0 ? ' point' : ' points'),
            default => self::measured($size, $unit),
        };
    }

    /** Minutes as one says them. */
    public static function minutes(float $seconds): string
    {
        return $seconds < 60 ? max(5, (int) (round($seconds / 5) * 5)).' s' : self::half($seconds / 60).' min';
    }

    private static function half(float $minutes): string
    {
        return $minutes < 3 ? (string) (round($minutes * 2) / 2) : (string) round($minutes);
    }
}
