<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Safety\When\Condition;

final readonly class FlagRule
{
    /**
     * @param  string  $label  what it speaks of
     * @param  list<LimitTemplate>  $limits
     */
    public function __construct(
        public string $id,
        public string $label,
        public Condition $when,
        public Verdict $verdict,
        public ?int $days,
        public array $limits,
        public string $reason,
    ) {
    }
}
