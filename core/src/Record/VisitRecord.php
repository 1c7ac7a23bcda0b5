<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\Treatment\AgreedStep;

/** All of one visit that a note is composed from. */
final readonly class VisitRecord
{
    /**
     * @param  Findings  $after  what was measured again
     * @param  list<Worked>  $worked  in the order of the table
     * @param  list<string>  $passedOver  what was agreed and not worked, in words
     * @param  list<Reaction>  $reactions  signs the client gave, in order
     * @param  list<Agreement>  $agreements
     * @param  list<AgreedStep>  $agreed  steps of the plan that was agreed
     * @param  list<string>  $unfelt  suspects that nobody felt, in words
     * @param  list<HandedOut>  $homeCare
     * @param  list<string>  $expect  what to expect and when to ring, by where was pressed
     * @param  bool  $isStopped  the whole treatment was broken off
     */
    public function __construct(
        public CaseFile $case,
        public Findings $after = new Findings,
        public array $worked = [],
        public array $passedOver = [],
        public array $reactions = [],
        public array $agreements = [],
        public array $agreed = [],
        public array $unfelt = [],
        public array $homeCare = [],
        public array $expect = [],
        public bool $isStopped = false,
    ) {
    }

    /** Minutes of the plan that was agreed; null where none was. */
    public function worthMinutes(): ?float
    {
        return $this->agreed === [] ? null : array_sum(array_map(static fn (AgreedStep $step): float => $step->minutes, $this->agreed));
    }
}
