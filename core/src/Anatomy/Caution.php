<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** One thing a hand bears in mind at a step: of what kind it is, what it comes from, and its words. */
final readonly class Caution
{
    /** @param  string  $id  of the rule, hazard, muscle, product or place in the words it comes from */
    private function __construct(public CautionKind $kind, public string $id, public string $text)
    {
    }

    public static function of(CautionKind $kind, string $id, string $text): self
    {
        return new self($kind, $id, $text);
    }

    /**
     * @param  list<string>  $texts
     * @return list<self>
     */
    public static function each(CautionKind $kind, string $id, array $texts): array
    {
        return array_map(static fn (string $text): self => new self($kind, $id, $text), $texts);
    }

    /** @return array{kind: string, id: string, text: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'id' => $this->id, 'text' => $this->text];
    }
}
