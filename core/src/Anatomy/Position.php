<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** How the client lies or sits. A change of family is a turn; within one it is a small shift. */
final readonly class Position
{
    /**
     * @param  string  $setup  pillows and props
     * @param  list<string>  $reaches  surfaces a hand comes to
     * @param  Side|null  $lowerSide  on which the client lies
     * @param  list<string>  $beneath  zones of that side that no hand comes to then
     * @param  bool  $isUp  the client sits
     */
    private function __construct(
        public string $id, public string $name, public string $family, public string $setup, public array $reaches,
        public ?Side $lowerSide, private array $beneath, public bool $isUp,
    ) {
    }

    public static function from(Fields $row): self
    {
        $beneath = $row->fieldsOrNull('beneath');

        return new self(
            $row->string('id'), $row->string('name'), $row->string('family'), $row->string('setup'), $row->strings('reaches'),
            $beneath === null ? null : Side::from($beneath->string('side')), $beneath?->strings('zones') ?? [],
            $row->bool('up'),
        );
    }

    /** On the back or the belly: both sides lie open alike. */
    public function isFlat(): bool
    {
        return $this->lowerSide === null && ! $this->isUp;
    }

    /** The client lies on it. */
    public function hides(Place $place): bool
    {
        return $place->side === $this->lowerSide && in_array($place->zone, $this->beneath, true);
    }
}
