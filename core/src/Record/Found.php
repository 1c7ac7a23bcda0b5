<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** A finding put into words, and how far it is from what is usual. */
final readonly class Found
{
    /** @param  float  $weight  0 as usual; what deviates most stands first */
    public function __construct(public float $weight, public Sentence $sentence)
    {
    }
}
