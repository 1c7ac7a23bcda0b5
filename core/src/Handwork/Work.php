<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\ChosenTarget;

/** A muscle that is to be worked on, and what it is found like. */
final readonly class Work
{
    /**
     * @param  list<string>  $sites  where it is worked, the first choice first
     * @param  int  $exposure  earlier visits with work on it
     * @param  ChosenTarget|null  $byHand  what the therapist set for it
     */
    public function __construct(
        public MuscleAt $at,
        public Muscle $muscle,
        public Situation $situation,
        public Felt $felt,
        public array $sites,
        public int $exposure,
        public ?ChosenTarget $byHand = null,
    ) {
    }
}
