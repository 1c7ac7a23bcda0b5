<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Measures\MeasureVerdict;

/** One measure before the work and after it. */
final readonly class Change
{
    /**
     * @param  string  $key  of the measure, as the response names it
     * @param  string  $words  what the change amounts to, in a few words
     */
    public function __construct(
        public string $key,
        public string $name,
        public Side $side,
        public string $before,
        public string $after,
        public MeasureVerdict $verdict,
        public string $words,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key, 'name' => $this->name, 'side' => $this->side->value, 'before' => $this->before, 'after' => $this->after,
            'verdict' => $this->verdict->value, 'words' => $this->words,
        ];
    }
}
