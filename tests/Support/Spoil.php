<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Spoils good values and good files a little, by a seeded chance: the same for the same seed. */
final readonly class Spoil
{
    private Randomizer $chance;

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $from
     * @return T
     */
    public function one(array $from): mixed
    {
        return $from[$this->chance->getInt(0, count($from) - 1)];
    }

    /** One place somewhere in it says something else, is gone, is doubled or is there too much. */
    public function value(mixed $value): mixed
    {
        if (! is_array($value) || $value === [] || $this->chance->getInt(0, 6) === 0) {
            return $this->odd($value);
        }
        $key = $this->one(array_keys($value));
        switch ($this->chance->getInt(0, 7)) {
            case 0: unset($value[$key]);
                break;
            case 1: $value[$this->one(['mood', '', '0', 'side', 'muscle', '__proto__'])] = $this->odd(null);
                break;
            case 2: $value[] = $value[$key];
                break;
            default: $value[$key] = $this->value($value[$key]);
        }

        return $value;
    }

    /** A few bytes of a file are others, gone, doubled or put elsewhere. */
    public function text(string $text): string
    {
        for ($n = $this->chance->getInt(1, 4); $n > 0; $n--) {
            $length = max(1, strlen($text));
            $at = $this->chance->getInt(0, $length - 1);
            $some = $this->chance->getInt(1, min(40, $length));
            $text = match ($this->chance->getInt(0, 7)) {
                0 => substr($text, 0, $at),
                1 => substr_replace($text, '', $at, $some),
                2 => substr_replace($text, substr($text, $at, $some), $this->chance->getInt(0, $length - 1), 0),
                3 => substr_replace(
                    $text,
                    $this->one([
                        '"', ',', ';', "\r\n", "\n", ':', '{', ']', '0', '-', "\0", "\xff", 'null', '99999999999', '1e400', '=', "\t",
                    ]),
                    $at, 1,
                ),
                4 => str_replace($this->digit($text, $at), (string) $this->chance->getInt(0, 99999), $text),
                5 => substr($text, $at).substr($text, 0, $at),
                6 => implode("\n", $this->chance->shuffleArray(explode("\n", $text))),
                default => substr_replace($text, chr($this->chance->getInt(0, 255)), $at, 1),
            };
        }

        return $text;
    }

    /** @return non-empty-string a run of digits at or after a place */
    private function digit(string $text, int $at): string
    {
        return preg_match('/\d+/', $text, $found, 0, $at) === 1 && $found[0] !== '' ? $found[0] : '0';
    }

    private function odd(mixed $was): mixed
    {
        return $this->one([
            null, true, false, 0, -1, 1e308, 0.1, 7, 11, 240, '', ' ', 'no', 'nobody', 'left', 'midline', '2199-01-01', '0000-00-00',
            '2026-02-30', [], [[]], [1, 2], ['a' => 'b'], str_repeat('x', 6000), "\u{202E}ß\0", '1e5', '<b>', "'; --",
            is_string($was) ? strtoupper($was) : 'x', is_array($was) ? array_reverse($was) : [$was], is_numeric($was) ? $was * 1000 : 0,
        ]);
    }
}
