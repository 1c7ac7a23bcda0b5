<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What the hands do at a stage of a routine, where that is more than the technique says of itself. */
final readonly class Way
{
    /**
     * @param  string  $slot  which part of a composition it is: open, dry, hold, point, line, moved, active, cross, lengthen, close …
     * @param  list<string>  $muscles  only these of the stage; all of them when empty
     * @param  list<string>  $wordsWith  tools its words are true of, where they name a hand; of every tool when empty
     * @param  array{id: string, side: Relation}|null  $setup
     * @param  list<string>  $setupPositions  where the set-up is meant; everywhere it fits when empty
     * @param  list<string>  $spots  in order
     * @param  list<string>  $stages  of tissue; in every stage when empty
     * @param  array<string, string>  $school  choices it belongs to
     * @param  int|null  $fromVisit  earlier visits with work there, at least
     * @param  int|null  $untilVisit  and at most
     */
    private function __construct(
        public string $slot,
        public string $technique,
        public string $do,
        public array $muscles,
        public ?string $tool,
        public array $wordsWith,
        public ?array $setup,
        public array $setupPositions,
        public ?string $position,
        public array $spots,
        public ?float $seconds,
        public ?float $mostSeconds,
        public ?int $repeats,
        public ?float $pressure,
        public ?float $mostFelt,
        public ?string $product,
        public ?string $hand,
        public ?string $otherHand,
        public ?string $say,
        public ?string $notWithSign,
        public array $stages,
        public array $school,
        public ?int $fromVisit,
        public ?int $untilVisit,
    ) {
    }

    public static function from(Fields $row): self
    {
        $setup = $row->fieldsOrNull('setup');
        $school = $row->fields('school');

        return new self(
            $row->string('slot'), $row->string('technique'), $row->string('do'), $row->strings('muscles'), $row->stringOrNull('tool'),
            $row->strings('words_with'),
            $setup === null ? null : ['id' => $setup->string('id'), 'side' => Relation::from($setup->string('side'))],
            $row->strings('setup_positions'), $row->stringOrNull('position'), $row->strings('spots'), $row->floatOrNull('seconds'),
            $row->floatOrNull('most_seconds'), $row->intOrNull('repeats'), $row->floatOrNull('pressure'), $row->floatOrNull('most_felt'),
            $row->stringOrNull('product'), $row->stringOrNull('hand'), $row->stringOrNull('other_hand'), $row->stringOrNull('say'),
            $row->stringOrNull('not_with_sign'), $row->strings('stages'),
            array_combine($school->keys(), array_map($school->string(...), $school->keys())),
            $row->intOrNull('exposure'), $row->intOrNull('until'),
        );
    }

    /** Whether its words are true of what is done with that tool. */
    public function tellsOf(Tool $tool): bool
    {
        return $this->wordsWith === [] || in_array($tool->id, $this->wordsWith, true);
    }

    public function isFor(string $muscle): bool
    {
        return $this->muscles === [] || in_array($muscle, $this->muscles, true);
    }
}
