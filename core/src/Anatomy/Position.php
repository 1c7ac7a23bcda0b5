<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

/** How the client lies or sits. A change of family is a turn; within one it is a small shift. */
final readonly class Position
{
    /**
     * @param  string  $setup  pillows and props
     * @param  list<string>  $reaches  surfaces a hand comes to
     */
    public function __construct(public string $id, public string $name, public string $family, public string $setup, public array $reaches)
    {
    }
}
