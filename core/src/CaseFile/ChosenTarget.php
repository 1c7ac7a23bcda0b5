<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** A muscle or a joint that was chosen, or left out, by hand. */
final readonly class ChosenTarget
{
    public function __construct(public ?string $muscle, public Side $side, public bool $lock = false, public ?JointName $joint = null)
    {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->stringOrNull('muscle'), Side::from($f->string('side')), $f->bool('lock'),
            $f->has('joint') ? JointName::from($f->fields('joint')) : null,
        );
    }

    /** What it is called among the targets of a plan. */
    public function key(): string
    {
        return $this->joint?->key($this->side) ?? "$this->muscle:{$this->side->value}";
    }
}
