<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Done;

/** What changed right after something was worked, within one visit. */
final readonly class Credit
{
    /**
     * @param  Done  $done  what was worked, in all of that visit
     * @param  string  $measure  its key and side
     * @param  float  $change  in changes that are real, better is more than nothing
     * @param  int  $among  so many muscles were worked between the two readings: each has its part in what changed
     */
    public function __construct(
        public \DateTimeImmutable $date,
        public Done $done,
        public string $measure,
        public float $change,
        public int $among,
    ) {
    }
}
