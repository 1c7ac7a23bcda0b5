<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

/** Why a measure is not taken today. */
final readonly class Refusal
{
    private function __construct(public RefusalKind $kind, public string $words)
    {
    }

    public static function of(RefusalKind $kind, string $words): self
    {
        return new self($kind, $words);
    }

    /** @return array{kind: string, text: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'text' => $this->words];
    }
}
