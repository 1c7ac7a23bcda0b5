<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/** A sign as it counts in the end: discounted beside others of its kind and capped. */
final readonly class Evidence
{
    public string $kind;

    public string $code;

    /** @param  float  $part  of the weight of its name that is left after its share, the discount and the cap */
    public function __construct(public Sign $sign, public float $part, public float $weight)
    {
        $this->kind = $sign->kind;
        $this->code = $sign->code;
    }

    public function text(): string
    {
        return $this->sign->text();
    }

    /** @return array{kind: string, code: string, weight: float, text: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'code' => $this->code, 'weight' => round($this->weight, 3), 'text' => $this->text()];
    }
}
