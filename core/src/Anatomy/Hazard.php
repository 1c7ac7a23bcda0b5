<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** A place that is never pressed hard: what lies there, how it answers, and the safe line of work beside it. */
final readonly class Hazard
{
    /**
     * @param  list<string>  $zones
     * @param  Side|null  $oneSided  the only side it lies on; it is never mirrored
     * @param  list<string>  $landmarks  between or beside which it lies
     */
    private function __construct(
        public string $id,
        public string $name,
        public array $zones,
        public ?Side $oneSided,
        public string $where,
        public string $what,
        public string $sign,
        public string $safeLine,
        public array $landmarks,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->strings('zones'), Side::tryFrom($row->stringOrNull('one_sided') ?? ''),
            $row->string('where'), $row->string('what'), $row->string('sign'), $row->string('safe_line'), $row->strings('landmarks'),
        );
    }

    public function liesOn(Side $side): bool
    {
        return $this->oneSided === null || $this->oneSided === $side;
    }
}
