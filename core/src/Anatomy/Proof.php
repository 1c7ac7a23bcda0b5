<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What the client does so that the muscle under the finger shows itself; it may only ask for what that muscle does. */
final readonly class Proof
{
    /** @param  list<DirectionUse>  $uses */
    private function __construct(public string $do, public array $uses)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->string('do'), $row->map('uses', DirectionUse::from(...)));
    }
}
