<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Side;

/** Something to be measured or felt again, and how the client is placed for it. */
final readonly class Check
{
    public const PRESSED = 'palpate';

    /**
     * @param  string  $kind  range, test or palpate
     * @param  string|null  $position  a position of the table, or standing; null where any will do
     */
    public function __construct(
        public string $kind, public string $id, public Side $side, public string $text, public ?string $position,
    ) {
    }

    /** @return array{kind: string, id: string, side: string, text: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'id' => $this->id, 'side' => $this->side->value, 'text' => $this->text];
    }
}
