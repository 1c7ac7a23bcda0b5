<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/**
 * What the client does while a muscle is worked: breathes, grows heavy, or moves and pushes, which is a touch like any other and judged as
 * one.
 */
final readonly class ClientAction
{
    /** @param  string|null  $judgedAs  the technique whose bars it shares; null where nothing is moved */
    private function __construct(public string $words, public ?string $judgedAs)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->string('words'), $row->stringOrNull('judged_as'));
    }
}
