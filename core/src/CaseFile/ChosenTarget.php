<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** A muscle or a joint that was chosen, or left out, by hand, and how it is to be done; what is null the plan decides. */
final readonly class ChosenTarget
{
    /**
     * @param  string|null  $size  short, usual or long
     * @param  float|null  $pressure  how strong it may feel at most
     * @param  bool|null  $otherSide  whether the other side is worked too
     * @param  bool|null  $lock  true: nothing pushes it out; false: wanted; null: nothing was said of that
     * @param  int|null  $order  its place among the others of its position, the smallest first
     */
    public function __construct(
        public ?string $muscle,
        public Side $side,
        public ?bool $lock = null,
        public ?JointName $joint = null,
        public ?string $size = null,
        public ?string $tool = null,
        public ?string $position = null,
        public ?float $pressure = null,
        public ?bool $otherSide = null,
        public ?int $order = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->stringOrNull('muscle'), Side::from($f->string('side')), $f->boolOrNull('lock'),
            $f->has('joint') ? JointName::from($f->fields('joint')) : null,
            $f->stringOrNull('size'), $f->stringOrNull('tool'), $f->stringOrNull('position'), $f->floatOrNull('pressure'),
            $f->boolOrNull('other_side'), $f->intOrNull('order'),
        );
    }

    /** It is wanted; else only its place among the others was said. */
    public function isPicked(): bool
    {
        return $this->order === null
            || array_filter(
                [$this->lock, $this->size, $this->tool, $this->position, $this->pressure, $this->otherSide],
                static fn (mixed $one): bool => $one !== null,
            ) !== [];
    }

    /** What it is called among the targets of a plan. */
    public function key(): string
    {
        return $this->joint?->key($this->side) ?? "$this->muscle:{$this->side->value}";
    }
}
