<?php

declare(strict_types=1);

namespace App\Support;

/** Codes of an authenticator app: RFC 6238 over HMAC-SHA-1 (RFC 4226), six digits, thirty seconds. */
final readonly class Totp
{
    public const SECONDS = 30;

    private const DIGITS = 6;

    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @param  string  $secret  raw bytes */
    private function __construct(private string $secret)
    {
    }

    public static function ofBytes(string $secret): self
    {
        return new self($secret);
    }

    /** @throws \InvalidArgumentException when it is no base 32 (RFC 4648, without padding) */
    public static function ofBase32(string $text): self
    {
        $bits = '';
        foreach (str_split(strtoupper($text)) as $letter) {
            $value = strpos(self::ALPHABET, $letter);
            $bits .= $value === false
                ? throw new \InvalidArgumentException("\"$letter\" is no letter of base 32")
                : str_pad(decbin($value), 5, '0', STR_PAD_LEFT);
        }

        return new self(implode(
            '',
            array_map(
                static fn (string $byte): string => chr((int) bindec($byte)), str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8),
            ),
        ));
    }

    /** A new secret of 160 bits, as an app wants it. */
    public static function secret(): string
    {
        $bits = implode(
            '',
            array_map(static fn (string $byte): string => str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT), str_split(random_bytes(20))),
        );

        return implode('', array_map(static fn (string $five): string => self::ALPHABET[(int) bindec($five)], str_split($bits, 5)));
    }

    /** @return string what an app reads from a picture */
    public static function uri(string $secret, string $account): string
    {
        return 'otpauth://totp/'.rawurlencode('Somatrace:'.$account).'?'.http_build_query([
            'secret' => $secret, 'issuer' => 'Somatrace', 'digits' => self::DIGITS, 'period' => self::SECONDS,
        ]);
    }

    /** The code of a time step; step 0 began with 1970. */
    public function code(int $step, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->secret, true);
        $offset = ord($hash[19]) & 0x0F;
        /** @var array{1: int} $number */
        $number = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($number[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * The step a code belongs to: now, or one beside it, since clocks differ; never one that was used already.
     *
     * @param  int  $used  the last step that was used
     */
    public function stepOf(string $code, int $now, int $used = 0): ?int
    {
        $step = intdiv($now, self::SECONDS);
        foreach ([$step, $step - 1, $step + 1] as $one) {
            if ($one > $used && hash_equals($this->code($one), $code)) {
                return $one;
            }
        }

        return null;
    }
}
