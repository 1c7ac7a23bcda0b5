<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** What a clear answer to a test speaks for, and how well it tells. */
final readonly class SpeaksOf
{
    /**
     * @param  list<string>  $muscles  of the side tested
     * @param  list<string>  $levels  of the joint; every one when empty
     * @param  string|null  $none  what is neither muscle nor joint: a root, a nerve, a tendon torn through
     * @param  string|null  $into  a set of zones it must be felt in to say so
     * @param  string  $answer  which answer says so
     * @param  float|null  $atMost  where it is a number: so few say so
     */
    private function __construct(
        public array $muscles,
        public ?string $joint,
        public array $levels,
        public ?string $none,
        public ?string $into,
        public string $answer,
        public ?float $atMost,
        public float $sensitivity,
        public float $specificity,
        public string $source,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->strings('muscles'), $row->stringOrNull('joint'), $row->strings('levels'), $row->stringOrNull('none'),
            $row->stringOrNull('into'),
            $row->stringOrNull('answer') ?? 'positive', $row->floatOrNull('at_most'), $row->float('sensitivity'),
            $row->float('specificity'), $row->string('source'),
        );
    }

    /** @return float log-likelihood ratio of the answer */
    public function weight(bool $says): float
    {
        return $says ? log($this->sensitivity / (1 - $this->specificity)) : log((1 - $this->sensitivity) / $this->specificity);
    }
}
