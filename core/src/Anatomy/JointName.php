<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A joint as a case names it, without its side. */
final readonly class JointName
{
    public function __construct(public string $kind, public ?string $level = null, public ?string $part = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self($f->string('kind'), $f->stringOrNull('level'), $f->stringOrNull('part'));
    }

    /** What it is called among the targets of a plan. */
    public function key(Side $side): string
    {
        return implode(':', ['joint', $this->kind, $this->level ?? '', $side->value]);
    }
}
