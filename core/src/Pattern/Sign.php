<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

/** One thing that speaks for or against a candidate, before it is set beside others of its kind. */
final readonly class Sign
{
    /** @param  string  $code names the sign, so that equal weights have a fixed order */
    public function __construct(public string $kind, public string $code, public float $weight, public string $text)
    {
    }
}
