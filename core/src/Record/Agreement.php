<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** What a client, or a guardian, said to one thing that was asked. */
final readonly class Agreement
{
    /**
     * @param  string  $about  an area of consent, or the guardian's name
     * @param  string|null  $but  a wish that goes with a yes
     */
    public function __construct(public string $about, public bool $given, public ?string $but = null, public bool $byGuardian = false)
    {
    }
}
