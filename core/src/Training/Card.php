<?php

declare(strict_types=1);

namespace Somatrace\Core\Training;

use Somatrace\Core\Anatomy\UnknownId;

/** One thing to know: a landmark to touch, a muscle by its proof or by where it sends pain, a place not to press. */
final readonly class Card
{
    public function __construct(public CardKind $kind, public string $subject)
    {
    }

    /** @throws UnknownId when the key names no kind of card */
    public static function of(string $key): self
    {
        [$kind, $subject] = [...explode(':', $key, 2), ''];

        return new self(CardKind::tryFrom($kind) ?? throw UnknownId::in('card', $key), $subject);
    }

    public function key(): string
    {
        return "{$this->kind->value}:{$this->subject}";
    }
}
