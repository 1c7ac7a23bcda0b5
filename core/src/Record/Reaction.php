<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Side;

/** A sign the client gave during the work. */
final readonly class Reaction
{
    /** @param  string  $clock  the time of day as the clinic writes it; empty where it is not known */
    public function __construct(
        public string $sign,
        public string $clock = '',
        public ?string $muscle = null,
        public ?Side $side = null,
        public bool $isSlip = false,
    ) {
    }
}
