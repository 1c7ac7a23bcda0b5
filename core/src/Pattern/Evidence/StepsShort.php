<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\Movement;
use Somatrace\Core\Anatomy\Test;

/** How many measuring errors a reading falls short: of the usual, less one error, and of the other side. */
final readonly class StepsShort
{
    /**
     * @param  list<array{float|null, float|null}>  $readings  this side and the other, in the unit of what is measured
     * @return int|null whole steps beyond measuring error; null when nothing was measured
     */
    public static function of(Movement|Test $of, array $readings): ?int
    {
        $error = $of->measurementError ?? 1.0;
        $short = [];
        foreach ($readings as [$value, $across]) {
            if ($value !== null) {
                array_push(
                    $short, ...($of->norm === null ? [] : [$of->shortfall($value, $of->norm) - $error]),
                    ...($across === null ? [] : [$of->shortfall($value, $across)]),
                );
            }
        }

        return $short === [] ? null : max(0, (int) floor(max($short) / $error));
    }
}
