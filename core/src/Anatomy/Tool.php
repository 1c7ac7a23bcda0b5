<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Units\ContactArea;
use Somatrace\Core\Units\Force;
use Somatrace\Core\Units\TissuePressure;

/** What touches the client: a part of the hand or arm, or a hand-held tool. */
final readonly class Tool
{
    /**
     * @param  string  $hand  how it is held without harm to the therapist
     * @param  string  $costs  the part of the hand its firm minutes are counted against
     * @param  bool  $isAid  held in the hand, and owned or not
     * @param  bool  $presses  a cup lifts and a pack lies: what is felt of them is no weight of the therapist
     * @param  bool  $leant  what is drawn or driven is pressed on no plate
     * @param  string  $load  what it costs the therapist, in words; `strain` is the same as a number
     */
    private function __construct(
        public string $id,
        public string $name,
        private ContactArea $area,
        public float $strain,
        public int $precision,
        public float $strongestFelt,
        public string $costs,
        public bool $isAid,
        private bool $presses,
        private bool $leant,
        public string $hand,
        public string $load,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), ContactArea::ofCm2($row->float('effective_area_cm2')), $row->float('strain'),
            $row->int('precision'), $row->float('strongest_felt'), $row->string('costs'), $row->bool('aid'),
            $row->bool('presses', true), $row->bool('leant', true), $row->string('hand'), $row->string('load'), $row->string('source'),
        );
    }

    /** The same where the pressure is carried by so much of the area that is usual. */
    public function spread(float $share): self
    {
        return new self(
            $this->id, $this->name, ContactArea::ofCm2($share * $this->area->cm2), $this->strain, $this->precision, $this->strongestFelt,
            $this->costs, $this->isAid, $this->presses, $this->leant, $this->hand, $this->load, $this->source,
        );
    }

    /** A therapist's weight goes through it, and a plate tells how much. */
    public function isLeantOn(): bool
    {
        return $this->presses && $this->leant;
    }

    /** What it takes to make that pressure with it. */
    public function force(TissuePressure $tissue): Force
    {
        return $this->presses ? $tissue->over($this->area) : Force::ofNewtons(0);
    }
}
