<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

/** One phase of a course: calm it, get the range back, let it work, and space the visits out. */
final readonly class Phase
{
    /**
     * @param  'passed'|'now'|'ahead'  $state
     * @param  list<Gate>  $gates  that lead out of it
     * @param  string  $expect  what the client is told of it
     */
    public function __construct(public string $id, public string $name, public string $state, public array $gates, public string $expect)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'state' => $this->state,
            'gates' => array_map(static fn (Gate $gate): array => $gate->toArray(), $this->gates), 'expect' => $this->expect,
        ];
    }
}
