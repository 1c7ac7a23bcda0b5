<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Data\Fields;

/** Techniques, tools and products where nothing more particular is asked for, by their ids. */
final readonly class UsualHands
{
    /**
     * @param  string  $stroke  warms, soothes, and comes between deep work
     * @param  string  $broad  the tool of such a stroke
     * @param  string  $finger  feels for what nobody felt yet
     * @param  string  $pointHold  counts as a point held
     * @param  string  $stretch  needs a way to lengthen the muscle
     * @param  list<string>  $oilsOnHair  instead of the oil, the first that is allowed
     */
    private function __construct(
        public string $stroke, public string $broad, public string $finger, public string $pointHold, public string $stretch,
        public string $noProduct, public string $oil, public array $oilsOnHair,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('stroke'), $row->string('broad'), $row->string('finger'), $row->string('point_hold'), $row->string('stretch'),
            $row->string('no_product'), $row->string('oil'), $row->strings('oils_on_hair'),
        );
    }
}
