<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

/** What came after one kind of work, over all visits: drawn toward nothing the more, the less has been seen. */
final readonly class Helped
{
    /**
     * @param  'target'|'technique'|'pressure'  $by
     * @param  string  $id  muscle:side, technique, or the band of pressure
     * @param  float  $change  in changes that are real
     * @param  float  $low  four of five times it is more
     * @param  float  $high  and less
     * @param  int  $readings  before and after
     * @param  bool  $isShared  others were worked between all of them
     */
    public function __construct(
        public string $by,
        public string $id,
        public string $name,
        public float $change,
        public float $low,
        public float $high,
        public int $readings,
        public int $visits,
        public bool $isShared,
    ) {
    }

    /** @return 'helps'|'hinders'|'open' */
    public function verdict(): string
    {
        return match (true) {
            $this->low > 0 => 'helps',
            $this->high < 0 => 'hinders',
            default => 'open',
        };
    }

    public function words(): string
    {
        $sample = ($this->readings === 1 ? 'one reading' : "$this->readings readings").' on '.(
            $this->visits === 1 ? 'one visit' : "$this->visits visits"
        );

        return match ($this->verdict()) {
            'helps' => $this->isShared ? "Better after it and what was worked beside it ($sample)." : "Better after it ($sample).",
            'hinders' => $this->isShared ? "Worse after it and what was worked beside it ($sample)." : "Worse after it ($sample).",
            default => $this->readings < 3 ? "Too little seen to tell ($sample)." : "No clear change after it ($sample).",
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'by' => $this->by, 'id' => $this->id, 'name' => $this->name, 'change' => round($this->change, 3),
            'low' => round($this->low, 3), 'high' => round($this->high, 3), 'readings' => $this->readings, 'visits' => $this->visits,
            'shared' => $this->isShared, 'verdict' => $this->verdict(), 'words' => $this->words(),
        ];
    }
}
