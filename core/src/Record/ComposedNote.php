<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Response\NextVisit;

/** A note as it is composed from a record: sentences by part, and what was measured again in one table. */
final readonly class ComposedNote
{
    /**
     * @param  list<Sentence>  $sentences  in the order in which they are read
     * @param  list<Change>  $changes  what was measured before and after the work
     */
    public function __construct(public array $sentences, public array $changes, public NextVisit $next)
    {
    }

    /** @return list<Sentence> */
    public function of(Part $part): array
    {
        return array_values(array_filter($this->sentences, static fn (Sentence $one): bool => $one->part === $part));
    }

    /**
     * @return array{parts: list<array{id: string, heading: string, sentences: list<array{id: string, text: string,
     * sources: list<array{step: string, name: string}>}>}>, changes: list<array<string, mixed>>,
     * next: array{days: int|null, minutes: int|null, reason: string, because: string}} a part that has nothing to say is not
     * there
     */
    public function toArray(): array
    {
        $parts = [];
        foreach (Part::cases() as $part) {
            $of = $this->of($part);
            if ($of !== []) {
                $parts[] = [
                    'id' => $part->value, 'heading' => $part->heading(),
                    'sentences' => array_map(static fn (Sentence $one): array => $one->toArray(), $of),
                ];
            }
        }

        return [
            'parts' => $parts, 'changes' => array_map(static fn (Change $one): array => $one->toArray(), $this->changes),
            'next' => $this->next->toArray(),
        ];
    }
}
