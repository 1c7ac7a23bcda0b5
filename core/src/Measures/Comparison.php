<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

/** One measure of today beside the usual, the other side, the last time and the first, each said in words with whether it is real. */
final readonly class Comparison
{
    /** @param  list<Compared>  $with */
    public function __construct(public Measure $measure, public float $value, public ?float $norm, public array $with)
    {
    }

    public function withWhat(string $what): ?Compared
    {
        foreach ($this->with as $one) {
            if ($one->what === $what) {
                return $one;
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->measure->key, 'side' => $this->measure->side->value, 'value' => $this->value, 'unit' => $this->measure->unit,
            'norm' => $this->norm,
            'error' => round($this->measure->mdc, 3), 'error_from' => $this->measure->mdcFrom,
            'with' => array_map(static fn (Compared $one): array => $one->toArray(), $this->with),
        ];
    }
}
