<?php

declare(strict_types=1);

namespace Somatrace\Core\Data;

/**
 * Typed reading of one decoded JSON object. It does not validate for people: a schema has done that;
 * a wrong type here is a programming fault and says where it sits.
 */
final readonly class Fields
{
    /** @param  array<array-key, mixed>  $values */
    private function __construct(private array $values, public string $pointer)
    {
    }

    public static function of(mixed $values, string $pointer = ''): self
    {
        return new self(is_array($values) ? $values : throw UnexpectedShape::at($pointer, 'an object', $values), $pointer);
    }

    public function has(string $key): bool
    {
        return isset($this->values[$key]);
    }

    public function string(string $key): string
    {
        return $this->stringOrNull($key) ?? throw $this->missing($key, 'text');
    }

    public function stringOrNull(string $key): ?string
    {
        $value = $this->values[$key] ?? null;

        return $value === null || is_string($value) ? $value : throw $this->missing($key, 'text');
    }

    public function int(string $key): int
    {
        return $this->intOrNull($key) ?? throw $this->missing($key, 'a whole number');
    }

    public function intOrNull(string $key): ?int
    {
        $value = $this->floatOrNull($key);

        return $value === null ? null : (int) $value;
    }

    public function float(string $key): float
    {
        return $this->floatOrNull($key) ?? throw $this->missing($key, 'a number');
    }

    public function floatOrNull(string $key): ?float
    {
        $value = $this->values[$key] ?? null;

        return match (true) {
            $value === null => null,
            is_int($value), is_float($value) => (float) $value,
            default => throw $this->missing($key, 'a number'),
        };
    }

    public function bool(string $key, bool $default = false): bool
    {
        return $this->boolOrNull($key) ?? $default;
    }

    public function boolOrNull(string $key): ?bool
    {
        $value = $this->values[$key] ?? null;

        return $value === null || is_bool($value) ? $value : throw $this->missing($key, 'true or false');
    }

    /** @return list<string> */
    public function strings(string $key): array
    {
        return array_map(
            fn (mixed $value): string => is_string($value) ? $value : throw $this->missing($key, 'a list of texts'),
            $this->items($key),
        );
    }

    /** @return list<list<string>> */
    public function lists(string $key): array
    {
        return array_map(
            fn (mixed $value): array => is_array($value)
                ? self::of(['of' => $value], "{$this->pointer}/$key")->strings('of')
                : throw $this->missing($key, 'a list of lists'),
            $this->items($key),
        );
    }

    /** @return list<float> */
    public function floats(string $key): array
    {
        return array_map(
            fn (mixed $value): float => is_int($value) || is_float($value)
                ? (float) $value
                : throw $this->missing($key, 'a list of numbers'),
            $this->items($key),
        );
    }

    public function fields(string $key): self
    {
        return self::of($this->values[$key] ?? [], "{$this->pointer}/$key");
    }

    public function fieldsOrNull(string $key): ?self
    {
        return $this->has($key) ? $this->fields($key) : null;
    }

    /** @return list<self> */
    public function list(string $key): array
    {
        $list = [];
        foreach ($this->items($key) as $index => $item) {
            $list[] = self::of($item, "{$this->pointer}/$key/$index");
        }

        return $list;
    }

    /**
     * @template T
     *
     * @param  callable(self): T  $make
     * @return list<T>
     */
    public function map(string $key, callable $make): array
    {
        return array_map($make, $this->list($key));
    }

    /** @return list<self> the objects of a list that have a key */
    public function having(string $key, string $own): array
    {
        return array_values(array_filter($this->list($key), static fn (self $one): bool => in_array($own, $one->keys(), true)));
    }

    /** @return array<array-key, mixed> as it was read */
    public function plain(): array
    {
        return $this->values;
    }

    /** @return list<string> the keys of this object, in their order */
    public function keys(): array
    {
        return array_map(static fn (int|string $key): string => (string) $key, array_keys($this->values));
    }

    /** @return array<string, string> */
    public function stringMap(string $key): array
    {
        $inner = $this->fields($key);
        $map = [];
        foreach ($inner->keys() as $name) {
            $map[$name] = $inner->string($name);
        }

        return $map;
    }

    /** @return array<string, float> */
    public function floatMap(string $key): array
    {
        $inner = $this->fields($key);
        $map = [];
        foreach ($inner->keys() as $name) {
            $map[$name] = $inner->float($name);
        }

        return $map;
    }

    /** A number, a text or nothing: the value of a limit, say. */
    public function scalar(string $key): string|float|null
    {
        $value = $this->values[$key] ?? null;

        return is_string($value) ? $value : $this->floatOrNull($key);
    }

    /** @return list<mixed> */
    private function items(string $key): array
    {
        $value = $this->values[$key] ?? [];

        return is_array($value) ? array_values($value) : throw $this->missing($key, 'a list');
    }

    private function missing(string $key, string $expected): UnexpectedShape
    {
        return UnexpectedShape::at("{$this->pointer}/$key", $expected, $this->values[$key] ?? null);
    }
}
