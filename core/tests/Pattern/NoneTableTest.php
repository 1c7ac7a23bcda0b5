<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Pattern;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\SpokenFindings;
use Somatrace\Core\Tests\Support\Table;

/** The table of "none of these", row by row. */
final class NoneTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_none_of_these_is_told_what_the_table_says(string $findings, string $expected): void
    {
        $pattern = Core::clinic()->rank(SpokenFindings::make($findings)->make());
        $shares = array_column($pattern->shares(), 1);
        $told = implode(', ', array_column($pattern->ofNone->evidence, 'code'));

        self::assertSame($expected, ($told === '' ? 'nothing' : $told).($pattern->ofNone->leads ? ': leads' : ''));
        self::assertEqualsWithDelta(1.0, array_sum($shares) + $pattern->noneSupport, 1e-9);
        if ($pattern->ofNone->leads) {
            self::assertGreaterThan(max($shares), $pattern->noneSupport);
            self::assertNotContains(Role::Source, array_map(static fn ($candidate): Role => $candidate->role, $pattern->candidates));
        }
    }

    /** @return iterable<string, list<string>> */
    public static function rows(): iterable
    {
        yield from Table::rows('none', 3);
    }

    public function test_each_reason_weighs_what_the_figures_say_and_raises_the_share(): void
    {
        $of = static fn (string $findings) => Core::clinic()->rank(SpokenFindings::make($findings)->make());
        $plain = $of('hurts low_back left now 7');
        $woken = $of('hurts low_back left now 7; tests night_waking midline positive');
        $both = $of('hurts low_back left now 7; tests night_waking midline positive; felt quadratus_lumborum left tender 1');

        self::assertSame(
            [0.0, 0.8, 1.6],
            array_map(static fn ($pattern): float => round((float) $pattern->ofNone->weight(), 6), [$plain, $woken, $both]),
        );
        self::assertGreaterThan($plain->noneSupport, $woken->noneSupport);
        self::assertGreaterThan($woken->noneSupport, $both->noneSupport);
    }
}
