<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

/** The same case told otherwise: what must not change what follows from it. */
final readonly class Rearranged
{
    private const SWAP = ['left' => 'right', 'right' => 'left', 'side_left' => 'side_right', 'side_right' => 'side_left'];

    /**
     * Seen in a mirror: every left is a right.
     *
     * @param  array<array-key, mixed>  $case
     * @return array<array-key, mixed>
     */
    public static function mirrored(array $case): array
    {
        return array_map(static fn (mixed $value): mixed => match (true) {
            is_array($value) => self::mirrored($value),
            is_string($value) => self::SWAP[$value] ?? $value,
            default => $value,
        }, $case);
    }

    /**
     * The same answers in another order.
     *
     * @param  array<array-key, mixed>  $case
     * @return array<array-key, mixed>
     */
    public static function shuffled(array $case): array
    {
        $mixed = array_map(static fn (mixed $value): mixed => is_array($value) ? self::shuffled($value) : $value, $case);

        return array_is_list($mixed) ? array_reverse($mixed) : array_reverse($mixed, true);
    }
}
