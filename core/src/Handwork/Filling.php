<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Dose;
use Somatrace\Core\Anatomy\DoseFor;
use Somatrace\Core\Anatomy\Spot;

/** What fills a slot, as much of it as there could be: the size says how much of that is done. */
final readonly class Filling
{
    /**
     * @param  list<Spot>  $spots  where it could be done, in order
     * @param  int|null  $repeats  as a routine says; by the dose without it
     * @param  bool  $isEverySpot  the spots were chosen by hand: each of them, as far as may be
     */
    public function __construct(
        public Manoeuvre $manoeuvre,
        private Dose $dose,
        private array $spots,
        private int $mostSpots,
        private ?int $repeats,
        private bool $isEverySpot = false,
    ) {
    }

    /**
     * @param  float  $share  of the way from the least to the most
     * @param  float  $mostSeconds  the longest that may be without a pause
     */
    public function sized(float $share, float $mostSeconds): Manoeuvre
    {
        $one = $this->ofShare($share);
        while ($one->totalSeconds() > $mostSeconds && (count($one->spots) > 1 || $one->repeats > 1)) {
            $one = $one->less();
        }

        return $one;
    }

    private function ofShare(float $share): Manoeuvre
    {
        $between = static fn (float $least, float $most): int => (int) floor($least + $share * ($most - $least) + 0.5);
        $repeats = $this->repeats ?? $between($this->dose->repeats->least, $this->dose->repeats->most);
        if ($this->dose->for === DoseFor::Line) {
            // lines are gone along one after the other, each as often
            $repeats = $between($this->dose->spots->least, $this->dose->spots->most) * max(1, min(2, $repeats));

            return $this->manoeuvre->of([], [], $repeats);
        }
        if ($this->dose->for === DoseFor::Area) {
            return $this->manoeuvre->of([], [], 1);
        }
        $count = min(
            count($this->spots), $this->mostSpots,
            $this->isEverySpot ? PHP_INT_MAX : $between($this->dose->spots->least, $this->dose->spots->most),
        );
        $spots = array_slice($this->spots, 0, $count);

        return $this->manoeuvre->of(
            array_map(static fn (Spot $spot): string => $spot->id, $spots),
            array_map(static fn (Spot $spot): string => $spot->name, $spots),
            $repeats,
        );
    }
}
