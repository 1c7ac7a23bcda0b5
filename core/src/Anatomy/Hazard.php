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
     * @param  bool  $broad  no stroke goes over it
     * @param  float|null  $broadCap  how strong a stroke over it may feel
     * @param  list<string>  $tools  that are not used on it
     * @param  bool  $sustained  nothing is held long on it
     * @param  float|null  $sustainedCap  how strong it may feel where it is held long
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
        public bool $broad,
        public ?float $broadCap,
        public array $tools,
        public ?float $cap,
        public bool $sustained,
        public ?float $sustainedCap,
    ) {
    }

    public static function from(Fields $row): self
    {
        $forbids = $row->fields('forbids');

        return new self(
            $row->string('id'), $row->string('name'), $row->strings('zones'), Side::tryFrom($row->stringOrNull('one_sided') ?? ''),
            $row->string('where'), $row->string('what'), $row->string('sign'), $row->string('safe_line'), $row->strings('landmarks'),
            $forbids->bool('broad'), $forbids->floatOrNull('broad_cap'), $forbids->strings('tools'), $forbids->floatOrNull('cap'),
            $forbids->bool('sustained'), $forbids->floatOrNull('sustained_cap'),
        );
    }

    public function liesOn(Side $side): bool
    {
        return $this->oneSided === null || $this->oneSided === $side;
    }
}
