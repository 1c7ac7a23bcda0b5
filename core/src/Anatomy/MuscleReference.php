<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What a teacher of anatomy knows of a muscle besides what the computations need. */
final readonly class MuscleReference
{
    /**
     * @param  list<string>  $synonyms  what else it is called, in the clinic and at home
     * @param  list<string>  $coveredBy  what lies over it
     * @param  list<string>  $roots  spinal roots (C5 …) or cranial nerves (CN V3 …)
     * @param  list<DirectionUse>  $otherActions  what it does besides the movements that are measured
     * @param  string|null  $lengtheningNote  why no movement lengthens it
     * @param  list<string>  $synergists
     * @param  list<FindStep>  $find  in order of touch
     * @param  list<string>  $shortenedBy  demands that keep it short
     * @param  list<string>  $tiredBy  demands that tire it
     * @param  list<string>  $complaints  what people say who have it, in their words
     * @param  list<string>  $selfCare  best first
     * @param  string|null  $noSelfCare  why none suits it
     */
    private function __construct(
        public array $synonyms,
        public Attachment $upper,
        public Attachment $lower,
        public string $fibres,
        public array $coveredBy,
        public ?string $nerve,
        public array $roots,
        public array $otherActions,
        public ?string $lengtheningNote,
        public array $synergists,
        public array $find,
        public ?Proof $proof,
        public array $shortenedBy,
        public array $tiredBy,
        public array $complaints,
        public array $selfCare,
        public ?string $noSelfCare,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        $ends = $row->fields('attachments');
        $nerve = $row->fields('nerve');
        $demands = $row->fields('demands');
        $proof = $row->fieldsOrNull('proof');

        return new self(
            $row->strings('synonyms'), Attachment::from($ends->fields('upper')), Attachment::from($ends->fields('lower')),
            $row->string('fibres'), $row->strings('covered_by'),
            $nerve->stringOrNull('name'), $nerve->strings('roots'), $row->map('other_actions', DirectionUse::from(...)),
            $row->stringOrNull('lengthening_note'),
            $row->strings('synergists'), $row->map('find', FindStep::from(...)), $proof === null ? null : Proof::from($proof),
            $demands->strings('shorten'), $demands->strings('tire'), $row->strings('complaints'), $row->strings('self_care'),
            $row->stringOrNull('no_self_care'),
            $row->string('source'),
        );
    }

    /** @return list<string> how to find it, step by step, and last what proves it */
    public function findSteps(): array
    {
        return [
            ...array_map(static fn (FindStep $step): string => $step->do, $this->find),
            ...$this->proof === null ? [] : ["Proof: {$this->proof->do}"],
        ];
    }
}
