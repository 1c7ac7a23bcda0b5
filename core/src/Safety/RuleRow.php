<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** One row of the safety rules as a reader sees it. */
final readonly class RuleRow
{
    public function __construct(public string $id, public string $when, public string $does, public string $source)
    {
    }
}
