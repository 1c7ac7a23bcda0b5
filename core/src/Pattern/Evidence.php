<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/** A sign as it counts in the end: discounted beside others of its kind and capped. */
final readonly class Evidence
{
    public function __construct(public string $kind, public string $code, public float $weight, public string $text)
    {
    }

    /** @return array{kind: string, code: string, weight: float, text: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'code' => $this->code, 'weight' => round($this->weight, 3), 'text' => $this->text];
    }
}
