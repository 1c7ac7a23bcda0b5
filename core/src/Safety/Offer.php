<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Place;

/** Something a rule allows in place of what it forbids: moving ice around a hot tendon, say. */
final readonly class Offer
{
    /** @param  list<Place>  $around the places it is offered around, never on */
    public function __construct(
        public string $technique,
        public string $product,
        public array $around,
        public string $school,
        public string $schoolValue,
        public string $rule,
    ) {
    }
}
