<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** How a muscle is lengthened under a hand in a position: by the therapist, who moves the limb, or by the client, who is asked to. */
final readonly class Move
{
    /**
     * @param  list<string>  $muscles
     * @param  list<string>  $positions  `side_up` is lying with that side upward
     * @param  string|null  $setup  how the limb lies for it
     * @param  string|null  $do  what the therapist moves
     * @param  string|null  $say  what the client is asked to do
     */
    private function __construct(
        public array $muscles,
        public string $technique,
        public array $positions,
        public ?string $setup,
        public MovementUse $toward,
        public ?string $do,
        public ?string $say,
    ) {
    }

    public static function from(Fields $row): self
    {
        return new self(
            $row->strings('muscles'), $row->string('technique'), $row->strings('positions'), $row->stringOrNull('setup'),
            new MovementUse($row->string('movement'), Relation::from($row->string('side')), true), $row->stringOrNull('do'),
            $row->stringOrNull('say'),
        );
    }

    public function fits(string $technique, string $position, Side $side): bool
    {
        return $this->technique === $technique && in_array($position, $side->positions($this->positions), true);
    }
}
