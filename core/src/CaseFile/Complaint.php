<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

final readonly class Complaint
{
    /**
     * @param  float|null  $now  null where nobody has asked
     * @param  list<string>  $qualities
     * @param  list<Place>  $spreadsTo
     * @param  list<Aggravator>  $worseWith
     * @param  list<Aggravator>  $betterWith
     */
    public function __construct(
        public string $zone,
        public Side $side,
        public ?float $now = null,
        public ?float $worstWeek = null,
        public ?float $bestWeek = null,
        public array $qualities = [],
        public ?\DateTimeImmutable $since = null,
        public array $spreadsTo = [],
        public array $worseWith = [],
        public array $betterWith = [],
        public ?string $words = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('zone'), Side::from($f->string('side')), $f->floatOrNull('now'), $f->floatOrNull('worst_week'),
            $f->floatOrNull('best_week'),
            $f->strings('qualities'), Dates::orNull($f->stringOrNull('since')), $f->map('spreads_to', Place::from(...)),
            $f->map('worse_with', Aggravator::from(...)), $f->map('better_with', Aggravator::from(...)),
            $f->stringOrNull('words'),
        );
    }

    /** Whether it hurts: said now, or in the week; a place that was shown hurts, though nobody has asked how strongly. */
    public function hurts(): bool
    {
        return ($this->now === null && $this->worstWeek === null) || $this->now > 0 || $this->worstWeek > 0;
    }

    /** How strongly it hurts at most, of 10; null where nobody has asked. */
    public function strength(): ?float
    {
        return $this->now === null && $this->worstWeek === null ? null : max($this->now ?? 0.0, $this->worstWeek ?? 0.0);
    }

    public function place(): Place
    {
        return new Place($this->zone, $this->side);
    }

    /** Whether it hurts where this muscle lies on that side. */
    public function liesOver(Muscle $muscle, Side $side): bool
    {
        return in_array($this->side, [Side::Midline, $side], true) && in_array($this->zone, $muscle->zones, true);
    }
}
