<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** How a limb or the head lies within a position. */
final readonly class Setup
{
    /**
     * @param  string  $part  head, jaw, arm, hand, leg or foot: what is laid
     * @param  list<string>  $positions
     * @param  list<string>  $opens  zones a hand comes to which the position alone does not give
     * @param  list<MovementUse>  $brings  where the joint then stands: what does this is shortened, what is lengthened by it is long
     * @param  string|null  $consent  the area that has to be agreed first
     * @param  list<NotWith>  $notWith  who does not lie so
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $part,
        public array $positions,
        public array $opens,
        public array $brings,
        public string $bolster,
        public string $drape,
        public ?string $consent,
        public string $say,
        public array $notWith,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->string('id'), $row->string('name'), $row->string('part'), $row->strings('positions'), $row->strings('opens'),
            $row->map('brings', static fn (Fields $one): MovementUse => new MovementUse(
                $one->string('movement'), Relation::from($one->string('side')), true,
            )),
            $row->string('bolster'), $row->string('drape'), $row->stringOrNull('consent'), $row->string('say'),
            $row->map('not_with', NotWith::from(...)),
        );
    }
}
