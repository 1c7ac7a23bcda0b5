<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;
use Somatrace\Core\Tests\Support\Table;

/** The table of roles, row by row: its head says how a row is read. */
final class RolesTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_muscle_plays_the_part_the_table_says(string $findings, string $expected): void
    {
        [$muscle, $side, $role] = explode(' ', $expected);
        $found = Core::clinic()->rank(SpokenFindings::make($findings)->make())->of(new MuscleAt($muscle, Side::from($side)));

        self::assertSame(
            $role, $found->role->value ?? null,
            implode('; ', array_map(static fn ($evidence): string => $evidence->text(), $found?->evidence() ?? [])),
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function rows(): iterable
    {
        yield from Table::rows('roles', 3);
    }
}
