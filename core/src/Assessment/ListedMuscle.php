<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

/** One muscle on the list of a visit, and how the client lies for it. */
final readonly class ListedMuscle
{
    /** @param  bool  $last  felt at the last visit */
    public function __construct(public string $id, public string $name, public string $position, public bool $last)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'position' => $this->position, 'last' => $this->last];
    }
}
