<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

final readonly class Zone
{
    /**
     * @param  list<string>  $neighbours ids of the zones that touch it
     * @param  string  $surface  front, back or any: from where a hand comes to it, lying
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $group,
        public bool $midline,
        public array $neighbours,
        public string $surface,
    ) {
    }

    /** "The low back", "between the shoulder blades" within a sentence. */
    public function definite(): string
    {
        return preg_match('/^(between|round) /', $this->name) === 1 ? $this->name : "the $this->name";
    }
}
