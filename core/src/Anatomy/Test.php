<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A special check: how it is done, what is usual, what an unusual answer says, and when it is never done. */
final readonly class Test
{
    /**
     * @param  string  $usual  the usual answer, in words
     * @param  string  $position  how the client is placed for it: a position of the table, or standing
     * @param  list<string>  $steps
     * @param  list<string>  $neverWhen  in words
     * @param  list<string>  $neverFlags  red flags that must have been answered no
     * @param  list<string>  $neverUnsettled  conditions that forbid it until they are late or settled without a sign left
     * @param  list<string>  $neverConditions  conditions that must not be there
     * @param  float|null  $norm  the usual value; null where only the sides are compared
     * @param  int|null  $holdSeconds  the longest a side is held; null where it is not timed
     * @param  array<string, string>  $answers  words of each answer; empty where it is a number
     * @param  array<string, string>  $levels  levels of the spine it speaks of, with what it is tried on there; empty where it names none
     * @param  list<string>  $short  muscles of that side that are short when the value falls behind
     * @param  list<SpeaksOf>  $speaksOf
     * @param  list<string>  $where  zones it may run to
     * @param  list<string>  $alarms  signs that stop it at once, offered while it is held
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $result,
        public bool $paired,
        public ?float $max,
        public ?float $measurementError,
        public bool $largerIsBetter,
        public string $how,
        public float $minutes,
        public string $usual,
        public string $position,
        public array $steps,
        public string $means,
        public array $neverWhen,
        public array $neverFlags,
        public array $neverConditions,
        public array $neverUnsettled,
        public ?float $norm,
        public ?int $holdSeconds,
        public array $short,
        public array $answers,
        public array $levels,
        public array $speaksOf,
        public array $alarms,
        public array $where,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('result'), $row->string('sides') === 'pair',
            $row->floatOrNull('max'), $row->floatOrNull('measurement_error'), $row->string('better') === 'larger',
            $row->string('how'), $row->float('minutes'), $row->string('usual'), $row->string('position'), $row->strings('steps'),
            $row->string('means'), $row->strings('never_when'),
            $row->fields('never')->strings('flags'), $row->fields('never')->strings('conditions'),
            $row->fields('never')->strings('unsettled'), $row->floatOrNull('norm'), $row->intOrNull('hold_seconds'), $row->strings('short'),
            $row->has('answers') ? $row->stringMap('answers') : [], $row->has('levels') ? $row->stringMap('levels') : [],
            $row->map('speaks_of', SpeaksOf::from(...)), $row->strings('alarms'),
            $row->strings('where'), $row->string('source'),
        );
    }

    /** How far this value falls short of the better one, in the unit of the test; negative when it goes beyond. */
    public function shortfall(float $value, float $reference): float
    {
        return $this->largerIsBetter ? $reference - $value : $value - $reference;
    }
}
