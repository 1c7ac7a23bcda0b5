<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Handwork\Pass;

/** A hand on the skin: where, in which manner, with what, how strong. */
final readonly class Contact
{
    /**
     * @param  list<Place>  $places
     * @param  list<Pass>  $passes
     * @param  string|null  $clientAction  what the client does meanwhile, in the words that ask for it
     */
    public function __construct(
        public array $places, public ?string $technique = null, public ?string $tool = null, public ?string $product = null,
        public array $passes = [], public ?string $clientAction = null,
    ) {
    }

    /** For so many times as long. */
    public function times(float $share): self
    {
        return new self(
            $this->places, $this->technique, $this->tool, $this->product,
            array_map(static fn (Pass $one): Pass => $one->times($share), $this->passes), $this->clientAction,
        );
    }
}
