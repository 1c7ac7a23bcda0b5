<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** Something to ask before work, why, and whether treatment waits for it. */
final readonly class Question
{
    public function __construct(public string $id, public string $ask, public string $because, public bool $blocks = false)
    {
    }

    /** @return array{id: string, ask: string, because: string, blocks: bool} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'ask' => $this->ask, 'because' => $this->because, 'blocks' => $this->blocks];
    }
}
