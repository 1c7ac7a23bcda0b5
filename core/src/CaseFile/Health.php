<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** Everything that was asked before hands go on. */
final readonly class Health
{
    /**
     * @param  array<string, Answer>  $redFlags
     * @param  list<ConditionAnswer>  $conditions
     * @param  array<string, Answer>  $calfClotItems
     * @param  list<MedicineAnswer>  $medicines
     * @param  array<string, \DateTimeImmutable>  $answeredOn
     * @param  array<string, \DateTimeImmutable>  $groupsAsked  the day each group was read out; what was not named then is no
     * @param  array<string, \DateTimeImmutable>  $redFlagSince  since when a flag is so
     */
    public function __construct(
        public array $redFlags = [],
        public array $conditions = [],
        public array $calfClotItems = [],
        public bool $othersDenied = false,
        public array $medicines = [],
        public array $answeredOn = [],
        public ?Answer $legSigns = null,
        public array $groupsAsked = [],
        public array $redFlagSince = [],
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            array_map(Answer::from(...), $f->stringMap('red_flags')),
            $f->map('conditions', ConditionAnswer::from(...)),
            array_map(Answer::from(...), $f->stringMap('calf_clot_items')),
            $f->bool('others_denied'),
            $f->map('medicines', MedicineAnswer::from(...)),
            array_map(Dates::of(...), $f->stringMap('answered_on')),
            Answer::tryFrom($f->stringOrNull('leg_signs') ?? ''),
            array_map(Dates::of(...), $f->stringMap('groups_asked')),
            array_map(Dates::of(...), $f->stringMap('red_flag_since')),
        );
    }

    /** Whether anything was asked and answered. */
    public function isAsked(): bool
    {
        $said = [
            ...array_values($this->redFlags),
            ...array_map(
                static fn (ConditionAnswer|MedicineAnswer $one): Answer => $one->answer, [...$this->conditions, ...$this->medicines],
            ),
        ];

        return $this->othersDenied || $this->groupsAsked !== [] || ($this->legSigns ?? Answer::Unknown) !== Answer::Unknown
            || array_filter($said, static fn (Answer $answer): bool => $answer !== Answer::Unknown) !== [];
    }
}
