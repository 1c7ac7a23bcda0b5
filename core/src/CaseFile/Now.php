<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Data\Fields;

/** Where the running treatment stands. */
final readonly class Now
{
    /**
     * @param  list<Place>  $oiled
     * @param  list<Place>  $warmed
     */
    public function __construct(
        public ?string $position = null,
        public ?float $minutesLeft = null,
        public array $oiled = [],
        public array $warmed = [],
        public bool $gloved = false,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->stringOrNull('position'), $f->floatOrNull('minutes_left'), $f->map('oiled', Place::from(...)),
            $f->map('warmed', Place::from(...)), $f->bool('gloved'),
        );
    }
}
