<?php

declare(strict_types=1);

namespace Somatrace\Core\HomeCare;

use Somatrace\Core\Anatomy\Side;

/** Something for home as it may be chosen by hand: on which sides, or why not today. */
final readonly class Possible
{
    /**
     * @param  list<Side>  $sides  on which it may be done; empty where it may not, and then the reason says why
     * @param  string  $dose  how much, at the freshest of the places it works on
     */
    public function __construct(public string $exercise, public array $sides, public string $dose, public ?string $because)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'exercise' => $this->exercise, 'sides' => array_map(static fn (Side $side): string => $side->value, $this->sides),
            'dose' => $this->dose, 'because' => $this->because,
        ];
    }
}
