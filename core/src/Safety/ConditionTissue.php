<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\Healing\Tissue;
use Somatrace\Core\Healing\TissueReader;

/** What the signs say of the place a condition sits in: its data name where to look, a condition of the whole body has no such place. */
final readonly class ConditionTissue
{
    private TissueReader $reader;

    public function __construct(private Atlas $atlas, private SafetyRules $rules)
    {
        $this->reader = new TissueReader($atlas, $rules->tissue);
    }

    public function of(ConditionAnswer $answer, CaseFile $case): Tissue
    {
        $at = ($this->rules->conditions[$answer->condition] ?? null)?->signsAt;

        return match (true) {
            $at === null => new Tissue(swelling: $answer->swellingTrend),
            // a place nobody named is looked for everywhere, as its limits hold everywhere
            $at === 'zones' => $this->reader->read($case, $answer->zones === [] ? null : $answer->zones, $answer->swellingTrend),
            default => $this->reader->read($case, $this->atlas->placesOf($at), $answer->swellingTrend),
        };
    }

    /** What the signs say of one place, whatever was answered. */
    public function at(Place $place, CaseFile $case): Tissue
    {
        return $this->reader->read($case, [$place], null);
    }

    /** Whether swelling anywhere was measured over so many days and does not go down. */
    public function swellingStays(CaseFile $case, int $days): bool
    {
        return $this->reader->swellingStays($case, $days);
    }
}
