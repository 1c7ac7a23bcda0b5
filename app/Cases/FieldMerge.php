<?php

declare(strict_types=1);

namespace App\Cases;

/**
 * Two windows wrote on one entry since the state that both had seen. What only one of them changed stands; a field that both changed, and
 * not to the same, stays as it was written first and is told.
 */
final readonly class FieldMerge
{
    /**
     * @param  array<array-key, mixed>  $fields
     * @param  list<string>  $clashing
     */
    private function __construct(public array $fields, public array $clashing)
    {
    }

    /**
     * @param  mixed  $base  what both had seen; null where nothing stood yet
     * @param  mixed  $mine  what the later window would write
     * @param  mixed  $theirs  what stands there now
     * @return self|null null where either is no set of fields: it can only stand as a whole
     */
    public static function of(mixed $base, mixed $mine, mixed $theirs): ?self
    {
        $base ??= [];
        if (! self::hasFields($base) || ! self::hasFields($mine) || ! self::hasFields($theirs)) {
            return null;
        }
        $fields = $theirs;
        $clashing = [];
        foreach (array_keys($base + $mine + $theirs) as $key) {
            if (self::same($mine, $base, $key) || self::same($mine, $theirs, $key)) {
                continue;
            }
            if (! self::same($theirs, $base, $key)) {
                $clashing[] = (string) $key;
            } elseif (array_key_exists($key, $mine)) {
                $fields[$key] = $mine[$key];
            } else {
                unset($fields[$key]);
            }
        }

        return new self($fields, $clashing);
    }

    /** @phpstan-assert-if-true array<array-key, mixed> $payload */
    private static function hasFields(mixed $payload): bool
    {
        return is_array($payload) && ($payload === [] || ! array_is_list($payload));
    }

    /**
     * @param  array<array-key, mixed>  $one
     * @param  array<array-key, mixed>  $other
     */
    private static function same(array $one, array $other, int|string $key): bool
    {
        return array_key_exists($key, $one) === array_key_exists($key, $other) && ($one[$key] ?? null) === ($other[$key] ?? null);
    }
}
