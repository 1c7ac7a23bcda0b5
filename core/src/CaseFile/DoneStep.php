<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\JointName;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** Something that was done at the table today: work on a muscle or a joint, or a step of another kind. */
final readonly class DoneStep
{
    private const TREAT = 'treat';

    /**
     * @param  string|null  $kind  of a step of the plan; work where it is not told
     * @param  list<DoneManoeuvre>  $manoeuvres  as far as they were told
     * @param  list<Place>  $zones
     */
    public function __construct(
        public ?string $muscle,
        public ?Side $side,
        public float $minutes,
        public bool $stopped = false,
        public ?JointName $joint = null,
        public bool $skipped = false,
        public ?string $kind = null,
        public ?int $round = null,
        public ?string $position = null,
        public ?string $step = null,
        public array $manoeuvres = [],
        public array $zones = [],
    ) {
    }

    public static function from(Fields $f): self
    {
        $side = $f->stringOrNull('side');

        return new self(
            $f->stringOrNull('muscle'), $side === null ? null : Side::from($side), $f->float('minutes'), $f->bool('stopped'),
            $f->has('joint') ? JointName::from($f->fields('joint')) : null, $f->bool('skipped'), $f->stringOrNull('kind'),
            $f->intOrNull('round'), $f->stringOrNull('position'), $f->stringOrNull('step'),
            $f->map('manoeuvres', DoneManoeuvre::from(...)), $f->map('zones', Place::from(...)),
        );
    }

    /** What it was done on, as the targets of a plan are called; null of a step that works nothing. */
    public function target(): ?string
    {
        return match (true) {
            $this->side === null || ($this->kind ?? self::TREAT) !== self::TREAT => null,
            $this->joint !== null => $this->joint->key($this->side),
            default => $this->muscle === null ? null : "$this->muscle:{$this->side->value}",
        };
    }
}
