<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** Where a joint that hurts is felt: over itself, and elsewhere. */
final readonly class JointPain
{
    /**
     * @param  list<string>  $levels  at these; at all when empty
     * @param  list<string>  $own
     * @param  list<string>  $felt
     */
    private function __construct(public array $levels, public array $own, public array $felt)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->strings('levels'), $row->strings('own'), $row->strings('felt'));
    }

    public function isAt(?string $level): bool
    {
        return $this->levels === [] || in_array($level, $this->levels, true);
    }
}
