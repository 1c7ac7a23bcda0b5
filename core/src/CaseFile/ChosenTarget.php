<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\JointName;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** A muscle or a joint that was chosen, or left out, by hand, and how it is to be done; what is null the plan decides. */
final readonly class ChosenTarget
{
    /**
     * @param  string|null  $size  short, usual or long
     * @param  float|null  $pressure  how strong it may feel at most
     * @param  bool|null  $otherSide  whether the other side is worked too
     * @param  string|null  $technique  of the part the minutes are there for
     * @param  array{id: string, side: Side}|null  $setup
     * @param  string|null  $site  where it is worked first
     * @param  list<string>  $spots  those that are worked, and no others
     * @param  list<string>  $added  techniques that are done besides
     * @param  string|null  $words  the therapist's own, for the one who works
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
        public ?string $technique = null,
        public ?array $setup = null,
        public ?string $site = null,
        public array $spots = [],
        public array $added = [],
        public ?string $words = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->stringOrNull('muscle'), Side::from($f->string('side')), $f->boolOrNull('lock'),
            $f->has('joint') ? JointName::from($f->fields('joint')) : null,
            $f->stringOrNull('size'), $f->stringOrNull('tool'), $f->stringOrNull('position'), $f->floatOrNull('pressure'),
            $f->boolOrNull('other_side'), $f->intOrNull('order'), $f->stringOrNull('technique'),
            self::setup($f),
            $f->stringOrNull('site'), $f->strings('spots'), $f->strings('added'), $f->stringOrNull('words'),
        );
    }

    /** What was set for it, and what is liked there where nothing was; null where neither says anything. */
    public static function orLiked(?self $set, MuscleAt $at, ?Preference $liked): ?self
    {
        if ($liked === null) {
            return $set;
        }
        $set ??= new self($at->muscle, $at->side);

        return new self(
            $set->muscle, $set->side, $set->lock, $set->joint, $set->size, $set->tool ?? $liked->tool, $set->position, $set->pressure,
            $set->otherSide, $set->order, $set->technique ?? $liked->technique, $set->setup, $set->site, $set->spots, $set->added,
            $set->words,
        );
    }

    /** @return array{id: string, side: Side}|null a set-up without a side is of the target's own */
    private static function setup(Fields $f): ?array
    {
        $setup = $f->fieldsOrNull('setup');

        return $setup === null
            ? null
            : ['id' => $setup->string('id'), 'side' => Side::from($setup->stringOrNull('side') ?? $f->string('side'))];
    }

    /** It is wanted; else only its place among the others was said. */
    public function isPicked(): bool
    {
        return $this->order === null
            || array_filter(
                [
                    $this->lock, $this->size, $this->tool, $this->position, $this->pressure, $this->otherSide, $this->technique,
                    $this->setup, $this->site, $this->words, $this->spots ?: null, $this->added ?: null,
                ],
                static fn (mixed $one): bool => $one !== null,
            ) !== [];
    }

    /** What it is called among the targets of a plan. */
    public function key(): string
    {
        return $this->joint?->key($this->side) ?? "$this->muscle:{$this->side->value}";
    }
}
