<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/** One reason not to press harder than so much, 0–10. */
final readonly class Cap
{
    public function __construct(public float $felt, public string $id, public string $reason)
    {
    }
}
