<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/**
 * Something to ask before work, why, and whether treatment waits for it; of kind `disagreement` where a finding and an answer do not fit.
 */
final readonly class Question
{
    public function __construct(
        public string $id,
        public string $ask,
        public string $because,
        public bool $blocks = false,
        public ?string $kind = null,
    ) {
    }

    /** @return array{id: string, ask: string, because: string, blocks: bool, kind?: string} */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'ask' => $this->ask, 'because' => $this->because, 'blocks' => $this->blocks,
            ...$this->kind === null ? [] : ['kind' => $this->kind],
        ];
    }
}
