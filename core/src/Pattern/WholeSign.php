<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

/** One sign by which the two sides differ: where it lies when the body works on one side. */
final readonly class WholeSign
{
    /**
     * @param  string  $about  what it is a sign of: what was measured and seen too is one sign
     * @param  string|null  $lesser  a movement that goes less far on one side
     * @param  string|null  $lesserTest  a measure that is less on one side
     * @param  string|null  $test  a measure that is there on one side
     * @param  bool  $demands  what the days ask of one side, or the hand that is used
     * @param  float  $by  a difference from which on it counts, in the unit of the measure
     * @param  bool  $same  it lies on the busy side; on the other without it
     * @param  bool  $jaw  it says that the jaw follows
     * @param  string  $words  with {side} for the busy side
     * @param  string  $measure  what is looked at, as one would be told to
     */
    private function __construct(
        public string $about,
        public ?string $lesser,
        public ?string $lesserTest,
        public ?string $test,
        public ?string $posture,
        public bool $demands,
        public float $by,
        public bool $same,
        public bool $jaw,
        private string $words,
        public string $measure,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->stringOrNull('about') ?? $row->string('id'), $row->stringOrNull('lesser'), $row->stringOrNull('lesser_test'),
            $row->stringOrNull('test'),
            $row->stringOrNull('posture'), $row->has('demands'), $row->floatOrNull('by') ?? 0.0, $row->string('side') === 'same',
            $row->has('jaw'), $row->string('words'), $row->string('measure'),
        );
    }

    public function words(Side $busy): string
    {
        return str_replace(['{side}', '{other}'], [$busy->value, $busy->mirrored()->value], $this->words);
    }

    /** The busy side, told from where it was found; and back. */
    public function across(Side $side): Side
    {
        return $this->same ? $side : $side->mirrored();
    }
}
