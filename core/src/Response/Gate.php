<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

/** What must hold before the next phase of a course: held, not held, or not known. */
final readonly class Gate
{
    public function __construct(public string $id, public string $words, public ?bool $holds, public string $because)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'words' => $this->words, 'holds' => $this->holds, 'because' => $this->because];
    }
}
