<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** One sentence of a note, or a few that belong together, with what it was read from. */
final readonly class Sentence
{
    /**
     * @param  string  $id  the same for the same facts at every reading, so that what was changed by hand finds its place again
     * @param  list<Source>  $sources
     */
    public function __construct(public string $id, public Part $part, public string $text, public array $sources)
    {
    }

    /** @return array{id: string, text: string, sources: list<array{step: string, name: string}>} */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'text' => $this->text,
            'sources' => array_map(static fn (Source $source): array => $source->toArray(), $this->sources),
        ];
    }
}
