<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Seeded chance: the same seed gives the same story. */
final readonly class Chance
{
    private Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Xoshiro256StarStar($seed));
    }

    public function int(int $least, int $most): int
    {
        return $this->randomizer->getInt($least, $most);
    }

    public function oneIn(int $many): bool
    {
        return $this->int(1, $many) === 1;
    }

    /** Evenly from 0 (can be) to 1 (cannot). */
    public function unit(): float
    {
        return $this->int(0, (1 << 30) - 1) / (1 << 30);
    }

    public function between(float $least, float $most): float
    {
        return $least + ($most - $least) * $this->unit();
    }

    /** @phpstan-impure */
    public function happens(float $probability): bool
    {
        return $this->unit() < $probability;
    }

    /** Normally spread about 0 (Box–Muller). */
    public function normal(float $deviation): float
    {
        return $deviation * sqrt(-2 * log(1 - $this->unit())) * cos(2 * M_PI * $this->unit());
    }

    /**
     * @template T
     *
     * @param  list<T>  $from  not empty
     * @return T
     */
    public function pick(array $from): mixed
    {
        return $from[$this->int(0, max(0, count($from) - 1))] ?? throw new \LogicException('Nothing to pick from.');
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return list<T> none to as many as said, each once
     */
    public function some(array $from, int $most): array
    {
        return array_slice($this->randomizer->shuffleArray($from), 0, $this->int(0, $most));
    }
}
